import type { AnswerTo } from '@/contract/calls'
import type { PayFrom } from '@/core/kinds'

/** Goods that came, or are on order, and are not billed yet. */
export interface ToInvoice {
  readonly receivedLineId?: number
  readonly purchaseOrderLineId?: number
  readonly description: string
  readonly quantity: string
  readonly unitCost: string
}

/** A line of a bill as it is typed: for goods, where it has no account, or by account. */
export interface BillLineDraft {
  receivedLineId?: number
  purchaseOrderLineId?: number
  accountId: string
  description: string
  quantity: string
  unitCost: string
  amount: string
  taxCode: string
  /** The tax that stands on the bill; empty: what its code makes. */
  tax: string
  /** What their file asks for exactly so many at exactly this price: the price is rounded, this is not. */
  exact?: { readonly quantity: string; readonly unitCost: string; readonly amount: string }
}

export interface BillDraft {
  supplierId: string
  theirNumber: string
  on: string
  due: string
  paidFrom: PayFrom | ''
  lines: BillLineDraft[]
}

export const lineOfGoods = (g: ToInvoice, taxCode: string): BillLineDraft => ({
  ...g,
  accountId: '',
  amount: '',
  taxCode,
  tax: '',
})

export const lineByAccount = (accountId: string, taxCode = ''): BillLineDraft => ({
  accountId,
  description: '',
  quantity: '1',
  unitCost: '',
  amount: '',
  taxCode,
  tax: '',
})

/** Left empty, it is not on the bill. */
export const isNoLine = (l: BillLineDraft): boolean => l.accountId === '' && (l.quantity === '' || l.quantity === '0')

/** A line as the call takes it. */
export const lineBody = ({ accountId, quantity, unitCost, amount, taxCode, tax, exact, ...l }: BillLineDraft) => {
  const taxed = { ...(taxCode === '' ? {} : { taxCode }), ...(tax === '' ? {} : { tax }) }
  if (accountId !== '') return { accountId, description: l.description, amount, ...taxed }
  const isAsRead = exact?.quantity === quantity && exact.unitCost === unitCost
  return { ...l, quantity, ...(isAsRead ? { amount: exact.amount } : { unitCost }), ...taxed }
}

type Read = AnswerTo<'POST', '/bills/read'>

/** What was read from a supplier's file, as the form has it: what fits nothing that came goes to an account. */
export const draftOfRead = (
  read: Read,
  accountId: string,
): Pick<BillDraft, 'theirNumber' | 'on' | 'due' | 'lines'> => ({
  theirNumber: read.theirNumber,
  on: read.on,
  due: read.due ?? '',
  lines: read.lines.map((l): BillLineDraft => {
    const { description, quantity, unitCost, amount, tax } = l
    const shared = { description, quantity, tax, taxCode: l.taxCode ?? '' }
    const { receivedLineId, purchaseOrderLineId } = l
    if (receivedLineId === undefined && purchaseOrderLineId === undefined)
      return { ...shared, accountId, unitCost: '', amount }
    return {
      ...shared,
      ...(receivedLineId === undefined ? {} : { receivedLineId }),
      ...(purchaseOrderLineId === undefined ? {} : { purchaseOrderLineId }),
      accountId: '',
      unitCost,
      amount: '',
      exact: { quantity, unitCost, amount },
    }
  }),
})
