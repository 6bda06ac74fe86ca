import type { PaperColumn } from './paperColumns'

export interface LetterTemplate {
  readonly subject: string
  readonly body: string
}

/** What a kind of document is made of and how it looks and is written about where the owner says nothing else. */
interface PaperTraits {
  /** What its id counts. */
  readonly of:
    | 'sale'
    | 'handover'
    | 'deposit-request'
    | 'invoice'
    | 'receipt'
    | 'refund'
    | 'customer'
    | 'purchase-order'
    | 'supplier-payment'
  readonly columns: readonly PaperColumn[]
  /** Shows no prices, whatever its layout says. */
  readonly withoutPrices?: true
  readonly letter: LetterTemplate
}

const MONEY: readonly PaperColumn[] = ['quantity', 'each', 'less', 'sum']

/** Every kind of document there is. A new one begins here; the compiler names what else it needs. */
export const PAPER_KINDS = {
  estimate: {
    of: 'sale',
    columns: MONEY,
    letter: {
      subject: 'Our estimate {number} for {title}',
      body: 'Dear {name},\n\nHere is our estimate for {title}: {amount}.\nIt is valid until {until}.\n\nYou can review it, choose options, and accept or decline it online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  confirmation: {
    of: 'sale',
    columns: MONEY,
    letter: {
      subject: 'Order {number} confirmed',
      body: 'Dear {name},\n\nThank you for your order. The confirmation is attached; the total is {amount}.\n\nYou can also see it online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  'pick-list': {
    of: 'sale',
    columns: ['code', 'quantity', 'place', 'picked'],
    withoutPrices: true,
    letter: { subject: 'Pick list {number}', body: 'Attached is pick list {number}.\n\n{business}' },
  },
  'packing-slip': {
    of: 'handover',
    columns: ['code', 'quantity'],
    withoutPrices: true,
    letter: {
      subject: 'On its way: {title}',
      body: 'Dear {name},\n\nYour goods have left our shop. Packing slip {number} is attached.\n\n{parcel}\n\nYour page:\n{link}\n\nKind regards,\n{business}',
    },
  },
  'deposit-request': {
    of: 'deposit-request',
    columns: ['sum'],
    letter: {
      subject: 'Deposit for {title}',
      body: 'Dear {name},\n\nPlease pay a deposit of {amount} so that we can start. Request {number} is attached; you can also pay online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  invoice: {
    of: 'invoice',
    columns: MONEY,
    letter: {
      subject: 'Invoice {number}',
      body: 'Dear {name},\n\nPlease find attached invoice {number} for {amount}, due {due}.\n\nYou can also view and pay it online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  'credit-note': {
    of: 'invoice',
    columns: MONEY,
    letter: {
      subject: 'Credit note {number}',
      body: 'Dear {name},\n\nPlease find attached credit note {number} for {amount}.\n\nKind regards,\n{business}',
    },
  },
  receipt: {
    of: 'receipt',
    columns: ['sum'],
    letter: {
      subject: 'Receipt {number}: thank you',
      body: 'Dear {name},\n\nThank you for your payment of {amount}. Receipt {number} is attached.\n\nKind regards,\n{business}',
    },
  },
  refund: {
    of: 'refund',
    columns: ['sum'],
    letter: {
      subject: 'Refund {number}',
      body: 'Dear {name},\n\nWe have refunded {amount} to you. The receipt {number} is attached.\n\nKind regards,\n{business}',
    },
  },
  statement: {
    of: 'customer',
    columns: ['date', 'charges', 'payments', 'owed'],
    letter: {
      subject: 'Your statement',
      body: 'Dear {name},\n\nYour statement is attached.\nYour balance due today is {amount}.\n\nYour documents are online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  reminder: {
    of: 'customer',
    columns: ['due', 'sum'],
    letter: {
      subject: 'Reminder: {amount} past due',
      body: 'Dear {name},\n\nThis is a friendly reminder that {amount} is past due (the oldest since {due}). A list is attached, and you can pay online:\n{link}\n\nIf you have already paid, thank you; please disregard this message.\n\nKind regards,\n{business}',
    },
  },
  agreement: {
    of: 'sale',
    columns: ['due', 'sum', 'owed'],
    letter: {
      subject: 'Payment agreement for {title}',
      body: 'Dear {name},\n\nAttached is our payment agreement for {title}, {amount} in total. Please sign and return one copy.\n\nYou can also see it online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  'open-items': {
    of: 'customer',
    columns: ['due', 'sum'],
    letter: {
      subject: 'Your open invoices',
      body: 'Dear {name},\n\nAttached is a list of your open invoices, {amount} in total.\n\nYou can view and pay them online:\n{link}\n\nKind regards,\n{business}',
    },
  },
  'purchase-order': {
    of: 'purchase-order',
    columns: ['code', 'quantity', 'each', 'sum'],
    letter: {
      subject: 'Purchase order {number}',
      body: 'Hello {name},\n\nPlease find attached our order {number}.\nWe need it by {ready}.\n\nPlease confirm when you will deliver.\n\nKind regards,\n{business}',
    },
  },
  remittance: {
    of: 'supplier-payment',
    columns: ['date', 'sum'],
    letter: {
      subject: 'Payment {number}: {amount}',
      body: 'Hello {name},\n\nWe have paid you {amount}. What it pays is listed in the attachment.\n\nKind regards,\n{business}',
    },
  },
} as const satisfies Readonly<Record<string, PaperTraits>>

export type PaperKind = keyof typeof PAPER_KINDS
export const PAPERS = Object.keys(PAPER_KINDS) as readonly PaperKind[] as readonly [PaperKind, ...PaperKind[]]

/** Whether a text names a kind of document. */
export const isPaper = (text: string): text is PaperKind => Object.hasOwn(PAPER_KINDS, text)

/** What is known of a kind of document. */
export const traitsOf = (paper: PaperKind): PaperTraits => PAPER_KINDS[paper]
