import type { Db } from '../connect'
import { stockCount } from '../schema'

export const insertStockCount = async (db: Db, row: typeof stockCount.$inferInsert, id: number): Promise<void> => {
  await db
    .insert(stockCount)
    .overridingSystemValue()
    .values({ ...row, id })
}
