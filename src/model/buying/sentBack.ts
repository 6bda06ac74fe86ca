import { money, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import {
  listGoodsReturned,
  listSupplierCredits,
  type GoodsReturnedRow,
  type SupplierCreditRow,
} from '@/data/queries/sentBack'

const returnOf = (r: GoodsReturnedRow, currency: string) => ({
  id: r.id,
  number: r.number,
  receivedId: r.receivedId,
  on: r.onDay,
  reason: r.reason,
  undoes: r.undoes,
  lines: r.lines.map((l) => ({
    id: l.id,
    lineId: l.receivedLineId,
    quantity: l.quantity.toString(),
    value: toDecimalString(money(l.value, currency)),
    cost: toDecimalString(money(l.cost, currency)),
  })),
})

/** What went back of receipts of goods, in the order in which it was written. */
export const returnedViews = async (db: Db, receivedIds: readonly number[], currency: string) =>
  (await listGoodsReturned(db, { receivedIds })).map((r) => returnOf(r, currency))

export const returnedView = async (db: Db, id: number, currency: string) => {
  const [row] = await listGoodsReturned(db, { id })
  return row ? returnOf(row, currency) : null
}

/** What was credited on a bill altogether, tax included; credits that were taken back do not count. */
export const creditedOf = (credits: readonly SupplierCreditRow[], billId: number, currency: string): Money =>
  sumMoney(
    credits.filter((c) => c.billId === billId && !c.voidedOn).map((c) => money(c.gross, currency)),
    currency,
  )

/** What was credited of one line of a bill, without tax; credits that were taken back do not count. */
export const creditedOfLine = (credits: readonly SupplierCreditRow[], lineId: number, currency: string): Money =>
  sumMoney(
    credits
      .filter((c) => !c.voidedOn)
      .flatMap((c) => c.lines)
      .filter((l) => l.billLineId === lineId)
      .map((l) => money(l.net, currency)),
    currency,
  )

const creditOf = (c: SupplierCreditRow, currency: string) => {
  const amount = (minor: bigint): string => toDecimalString(money(minor, currency))
  return {
    id: c.id,
    number: c.number,
    billId: c.billId,
    theirNumber: c.theirNumber,
    on: c.onDay,
    reason: c.reason,
    voidedOn: c.voidedOn,
    totals: { net: amount(c.net), tax: amount(c.tax), gross: amount(c.gross) },
    lines: c.lines.map((l) => ({
      id: l.id,
      billLineId: l.billLineId,
      quantity: l.quantity.toString(),
      amount: amount(l.net),
      tax: amount(l.tax),
      fromStock: amount(l.fromStock),
    })),
  }
}

/** Credits on bills of suppliers, in the order in which they were written. */
export const creditViews = async (db: Db, billIds: readonly number[], currency: string) =>
  (await listSupplierCredits(db, { billIds })).map((c) => creditOf(c, currency))

export const creditView = async (db: Db, id: number, currency: string) => {
  const [row] = await listSupplierCredits(db, { id })
  return row ? creditOf(row, currency) : null
}
