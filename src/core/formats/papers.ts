/** Every paper a sale can put out. Each is made of one thing: a sale, a handover, an invoice, a receipt, a customer. */
export const PAPERS = [
  'estimate',
  'confirmation',
  'pick-list',
  'packing-slip',
  'deposit-request',
  'invoice',
  'credit-note',
  'receipt',
  'statement',
  'reminder',
  'agreement',
  'open-items',
] as const
export type PaperKind = (typeof PAPERS)[number]

/** What the id of a paper counts. */
export const PAPER_OF: Readonly<
  Record<PaperKind, 'sale' | 'handover' | 'deposit-request' | 'invoice' | 'receipt' | 'customer'>
> = {
  estimate: 'sale',
  confirmation: 'sale',
  'pick-list': 'sale',
  'packing-slip': 'handover',
  'deposit-request': 'deposit-request',
  invoice: 'invoice',
  'credit-note': 'invoice',
  receipt: 'receipt',
  statement: 'customer',
  reminder: 'customer',
  agreement: 'sale',
  'open-items': 'customer',
}
