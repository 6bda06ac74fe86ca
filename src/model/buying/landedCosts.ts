import { money, subtractMoney, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import { rowsBy } from '@/core/rowsBy'
import { listLandedCosts, listLandedShares, listSpreadOver } from '@/data/queries/landedCost'

/** A cost that was spread over goods that came, and where each share of it went. */
export const landedCostView = async (db: Db, id: number, currency: string) => {
  const [cost] = await listLandedCosts(db, { id })
  if (!cost) return null
  const shares = await listLandedShares(db, id)
  return {
    id,
    number: cost.number,
    on: cost.onDay,
    amount: toDecimalString(money(cost.amount, currency)),
    by: cost.spreadBy,
    billId: cost.billId,
    voidedOn: cost.voidedOn,
    shares: shares.map((s) => {
      const [amount, toStock] = [money(s.amount, currency), money(s.toStock, currency)]
      return {
        receivedLineId: s.receivedLineId,
        amount: toDecimalString(amount),
        toStock: toDecimalString(toStock),
        toCostOfSales: toDecimalString(subtractMoney(amount, toStock)),
      }
    }),
  }
}

/** What was spread of a bill’s lines, or over what came, told beside it. */
export const readSpreadCosts = async (db: Db, of: Parameters<typeof listLandedCosts>[1], currency: string) => {
  const costs = await listLandedCosts(db, of)
  const over = rowsBy(
    await listSpreadOver(
      db,
      costs.map((c) => c.id),
    ),
    (o) => o.costId,
  )
  return costs.map((c) => ({
    id: c.id,
    number: c.number,
    on: c.onDay,
    amount: toDecimalString(money(c.amount, currency)),
    billId: c.billId,
    over: over.get(c.id) ?? [],
    voidedOn: c.voidedOn,
  }))
}
