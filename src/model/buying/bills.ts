import { discountLeft, standingDiscounts } from '@/core/buying'
import { isPositiveMoney, isZeroMoney, money, toDecimalString, type Money } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import type { Db } from '@/data/connect'
import {
  listBillFills,
  listBillLines,
  listBills,
  type BillFilter,
  type BillLineRow,
  type BillRow,
} from '@/data/queries/bill'
import { listSupplierCredits } from '@/data/queries/sentBack'
import type { Asked } from '../where'
import { billRepeatViews } from './billRepeats'
import { openOfBill, type BillFill } from './letOff'
import { creditedOf, creditViews } from './sentBack'

/** Whether a line of a bill is for goods that came or are on order; all others are by account. */
export const isOfGoods = (l: Pick<BillLineRow, 'receivedLineId' | 'cleared'>): boolean =>
  l.receivedLineId !== null || l.cleared !== 0n

interface Beside {
  readonly lines: readonly BillLineRow[]
  readonly credited: Money
  readonly fills: readonly BillFill[]
}

const viewOf = (b: BillRow, { lines, credited, fills }: Beside, currency: string) => {
  const amount = (minor: bigint): string => toDecimalString(money(minor, currency))
  const open = openOfBill(b, currency)
  const saved = discountLeft(money(b.discount, currency), money(b.gross, currency), credited)
  const saves = isPositiveMoney(saved) && standingDiscounts(fills).length === 0
  return {
    id: b.id,
    number: b.number,
    supplierId: b.supplierId,
    supplier: b.supplier,
    theirNumber: b.theirNumber,
    on: b.onDay,
    totals: { net: amount(b.net), tax: amount(b.tax), gross: amount(b.gross) },
    open: toDecimalString(open),
    dues: [{ dueOn: b.dueOn, amount: amount(b.gross), open: toDecimalString(open) }],
    // What paying early saves: nothing any more where it was let off.
    discount: b.discountOn && saves ? { through: b.discountOn, amount: toDecimalString(saved) } : null,
    priceDifference: amount(lines.reduce((sum, l) => sum + l.difference, 0n)),
    voidedOn: b.voidedOn,
    lines: lines.map((l) => ({
      id: l.id,
      receivedLineId: l.receivedLineId,
      purchaseOrderLineId: l.orderLineId,
      accountId: l.accountId,
      account: l.account,
      description: l.description,
      quantity: l.quantity.toString(),
      unitCost: l.unitCost.toString(),
      amount: amount(l.net),
      tax: amount(l.tax),
      difference: amount(l.difference),
      toStock: amount(l.toStock),
      toCostOfSales: amount(l.difference - l.toStock),
    })),
  }
}
export type BillView = ReturnType<typeof viewOf>

/** Suppliers' invoices, the newest first, each with its lines. */
export const billViews = async (
  db: Db,
  of: BillFilter,
  part: { readonly limit?: number; readonly after?: number },
  currency: string,
): Promise<readonly BillView[]> => {
  const bills = await listBills(db, of, part)
  const ids = bills.map((b) => b.id)
  const [lines, credits, fills] = await Promise.all([
    listBillLines(db, ids),
    listSupplierCredits(db, { billIds: ids }),
    listBillFills(db, { billIds: ids }),
  ])
  const [linesOf, fillsOf] = [rowsBy(lines, (l) => l.billId), rowsBy(fills, (f) => f.billId)]
  return bills.map((b) =>
    viewOf(
      b,
      {
        lines: linesOf.get(b.id) ?? [],
        credited: creditedOf(credits, b.id, currency),
        fills: fillsOf.get(b.id) ?? [],
      },
      currency,
    ),
  )
}

/** One of them, with what was paid on it and when. */
export const billView = async (db: Db, id: number, { business }: Pick<Asked, 'business'>) => {
  const { currency } = business
  const [view] = await billViews(db, { id }, {}, currency)
  if (!view) return null
  const fills = await listBillFills(db, { billIds: [id] })
  return {
    ...view,
    credits: await creditViews(db, [id], currency),
    repeats: await billRepeatViews(db, { billId: id }),
    paid: fills
      .map((f) => ({ on: f.onDay, kind: f.kind, paymentId: f.paymentId, amount: money(f.amount, currency) }))
      .filter((f) => !isZeroMoney(f.amount))
      .map((f) => ({ ...f, amount: toDecimalString(f.amount) })),
  }
}
