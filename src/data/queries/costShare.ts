import { asc, eq } from 'drizzle-orm'
import type { Db } from '../connect'
import { costShare } from '../schema'

export interface CostShareRow {
  readonly goodsId: number | null
  readonly saleLineId: number | null
  readonly amount: bigint
}

/** Says whom the cost of goods sold of an entry belongs to; what comes to nothing is left out. */
export const insertCostShares = async (db: Db, entryId: number, rows: readonly CostShareRow[]): Promise<void> => {
  const some = rows.filter((r) => r.amount !== 0n)
  if (some.length > 0) await db.insert(costShare).values(some.map((r) => ({ ...r, entryId })))
}

export const listCostShares = (db: Db, entryId: number) =>
  db.select().from(costShare).where(eq(costShare.entryId, entryId)).orderBy(asc(costShare.id))

/** The same shares turned round, for an entry that takes the first one back. */
export const listTurnedShares = async (db: Db, entryId: number): Promise<readonly CostShareRow[]> =>
  (await listCostShares(db, entryId)).map(({ goodsId, saleLineId, amount }) => ({
    goodsId,
    saleLineId,
    amount: -amount,
  }))
