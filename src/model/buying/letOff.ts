import { letOffOn } from '@/core/buying'
import type { Day } from '@/core/day'
import { isPositiveMoney, money, smallerMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import { listBillFills, listBills, type BillRow } from '@/data/queries/bill'
import { listSupplierCredits } from '@/data/queries/sentBack'
import type { Db } from '@/data/connect'
import { creditedOf } from './sentBack'

export type BillFill = Awaited<ReturnType<typeof listBillFills>>[number]

interface Read {
  readonly fills: readonly BillFill[]
  /** What is let off for paying all the rest on that day, whatever is open. */
  readonly letOff: Money
}

/** What was taken off each of these bills, and what is let off for paying the rest of it on a day. */
export const readLetOff = async (
  db: Db,
  bills: readonly BillRow[],
  on: Day,
  currency: string,
): Promise<ReadonlyMap<number, Read>> => {
  const billIds = bills.map((b) => b.id)
  const [fills, credits] = await Promise.all([listBillFills(db, { billIds }), listSupplierCredits(db, { billIds })])
  const fillsOf = rowsBy(fills, (f) => f.billId)
  return new Map(
    bills.map((b) => {
      const mine = fillsOf.get(b.id) ?? []
      const early = {
        gross: money(b.gross, currency),
        discount: money(b.discount, currency),
        discountOn: b.discountOn,
        credited: creditedOf(credits, b.id, currency),
      }
      return [b.id, { fills: mine, letOff: letOffOn(early, mine, on) }]
    }),
  )
}

/** What of a bill is not paid; of one that is void nothing. */
export const openOfBill = (b: BillRow, currency: string): Money =>
  b.voidedOn ? zeroMoney(currency) : subtractMoney(money(b.gross, currency), money(b.filled, currency))

/**
 * What paying all that is open of these bills on a day takes, each without what is let off for it; what that is in all, and through
 * which day all of it is let off.
 */
export const readToPay = async (
  db: Db,
  of: { readonly ids: readonly number[] } | { readonly supplierId: number },
  on: Day,
  currency: string,
) => {
  const bills = await listBills(db, { ...of, open: true })
  const letOff = await readLetOff(db, bills, on, currency)
  const toPay = bills.map((bill) => {
    const open = openOfBill(bill, currency)
    const less = smallerMoney(letOff.get(bill.id)?.letOff ?? zeroMoney(currency), open)
    return { bill, less, amount: subtractMoney(open, less) }
  })
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
  const through = toPay.flatMap(({ bill, less }) => (isPositiveMoney(less) ? (bill.discountOn ?? []) : [])).sort()
  return {
    bills: toPay,
    amount: sum(toPay.map((b) => b.amount)),
    less: sum(toPay.map((b) => b.less)),
    through: through[0] ?? null,
  }
}
