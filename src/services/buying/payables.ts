import { compareDays, type Day } from '@/core/day'
import { postSupplierPayment } from '@/core/ledger'
import {
  decimal,
  isPositiveMoney,
  money,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
} from '@/core/money'
import { present } from '@/core/present'
import { lowestFrom } from '@/core/running'
import { insertAheadMove, insertBillFills, listBills, type BillRow } from '@/data/queries/bill'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertSupplierPayment } from '@/data/queries/supplierPayment'
import { readLetOff, type BillFill } from '@/model/buying/letOff'
import type { Work } from '../command'
import { keepOwnTax } from './keepOwnTax'

/** A bill with what of it may be paid on a day, so that no later day is overfilled, and what is let off for paying by then. */
export interface Payable {
  readonly bill: BillRow
  readonly open: Money
  readonly discount: Money
}

/** What of a bill may be taken off on a day, from what was taken off it, so that no later day is overfilled. */
export const openFrom = (bill: BillRow, fills: readonly BillFill[], on: Day, currency: string): Money =>
  money(
    lowestFrom([{ on: bill.onDay, by: bill.gross }, ...fills.map((f) => ({ on: f.onDay, by: -f.amount }))], on),
    currency,
  )

export const readPayables = async (w: Work, supplierId: number, on: Day): Promise<readonly Payable[]> => {
  const bills = (await listBills(w.tx, { supplierId })).filter((b) => !b.voidedOn && b.onDay <= on)
  const read = await readLetOff(w.tx, bills, on, w.currency)
  return bills
    .map((bill): Payable => {
      const { fills, letOff } = present(read.get(bill.id))
      const open = openFrom(bill, fills, on, w.currency)
      return { bill, open, discount: smallerMoney(letOff, open) }
    })
    .filter((p) => isPositiveMoney(p.open))
    .sort((a, b) => compareDays(a.bill.dueOn, b.bill.dueOn) || a.bill.id - b.bill.id)
}

/** So much money for a bill, and what is let off with it. */
export interface Paid {
  readonly bill: BillRow
  readonly paid: Money
  readonly discount: Money
}

/** Pays a bill with at most so much: whole with its discount where that is enough, else in part and without it. */
export const payOne = ({ bill, open, discount }: Payable, most: Money): Paid => {
  const needed = subtractMoney(open, discount)
  return most.minor >= needed.minor
    ? { bill, paid: needed, discount }
    : { bill, paid: most, discount: zeroMoney(open.currency) }
}

/** The share of tax in what is let off: as much of it as of the bill. */
export const taxOf = ({ bill, discount }: Paid): { readonly net: Money; readonly tax: Money } => {
  const [net, tax] = splitMoney(discount, [decimal(bill.net), decimal(bill.tax)])
  return { net: present(net), tax: present(tax) }
}

interface Paying {
  readonly supplier: { readonly id: number; readonly name: string }
  readonly on: Day
  readonly accountId: number
  /** What leaves the account: more than the bills ask is paid in advance. */
  readonly amount: Money
  readonly paid: readonly Paid[]
  /** The number of the check it is written as. */
  readonly checkNumber?: number | null
}

/** Writes money that goes to a supplier: the payment, what it takes off their bills, what of it is in advance. Answers its id. */
export const writePayment = async (
  w: Work,
  { supplier, on, accountId, amount, paid, checkNumber = null }: Paying,
): Promise<number> => {
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, w.currency)
  const forBills = sum(paid.map((p) => p.paid))
  const ahead = subtractMoney(amount, forBills)
  const discounts = paid.map(taxOf)
  const number = await takeNumber(w.tx, 'supplier-payment', on)
  const id = await reserveId(w.tx, 'supplier_payment')
  const entryId = await w.post(
    postSupplierPayment({
      on,
      text: `Payment ${number}, ${supplier.name}`,
      accountId,
      paid: forBills,
      ahead,
      discount: { net: sum(discounts.map((d) => d.net)), tax: sum(discounts.map((d) => d.tax)) },
    }),
    { kind: 'supplier-payment', id },
  )
  const row = { number, supplierId: supplier.id, onDay: on, accountId, amount: amount.minor, checkNumber, entryId }
  await insertSupplierPayment(w.tx, row, id)
  await insertBillFills(
    w.tx,
    paid.flatMap(({ bill, paid: by, discount }) =>
      [
        { kind: 'payment' as const, amount: by.minor },
        { kind: 'discount' as const, amount: discount.minor },
      ]
        .filter((f) => f.amount !== 0n)
        .map((f) => ({ ...f, billId: bill.id, onDay: on, paymentId: id, entryId })),
    ),
  )
  for (const { bill, discount } of paid)
    if (isPositiveMoney(discount))
      await keepOwnTax(w, bill.id, { on, text: `Payment ${number}`, paper: { kind: 'supplier-payment', id } })
  if (isPositiveMoney(ahead))
    await insertAheadMove(w.tx, { supplierId: supplier.id, onDay: on, amount: ahead.minor, paymentId: id, entryId })
  return id
}
