import { and, desc, eq, gt, lte } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { ZERO } from '@/core/money'
import { insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { assembly, stockAdjustment, stockCount, stockTransfer } from '../schema'

/** The documents that change what lies on shelves without a sale. */
export const insertStockCount = insertWithId(stockCount)
export const insertStockTransfer = insertWithId(stockTransfer)
export const insertStockAdjustment = insertWithId(stockAdjustment)
export const insertAssembly = insertWithId(assembly)

/** The last time kits of a kind were put together, on or before a day; null where they never were. */
export const findLastAssembly = async (db: Db, kitId: number, on: Day): Promise<number | null> => {
  const [row] = await db
    .select({ id: assembly.id })
    .from(assembly)
    .where(and(eq(assembly.kitId, kitId), gt(assembly.quantity, ZERO), lte(assembly.onDay, on)))
    .orderBy(desc(assembly.onDay), desc(assembly.id))
    .limit(1)
  return row?.id ?? null
}
