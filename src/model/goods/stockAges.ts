import type { Day } from '@/core/day'
import type { Money } from '@/core/money'
import { valueByAge } from '@/core/stock'
import { listStockAges, type StockAge as Row } from '@/data/queries/stockAges'
import type { Where } from '../where'

/** What lies of a thing, with its worth by how long it lies. */
export interface StockAge extends Row {
  readonly values: readonly Money[]
}

/** What lies on a day, thing by thing, by how long it lies. */
export const readStockAges = async (
  { db, currency }: Where,
  of: { readonly asOf: Day; readonly placeId?: number },
): Promise<readonly StockAge[]> =>
  (await listStockAges(db, of, currency)).map((r) => ({ ...r, values: valueByAge(r.value, r.byAge) }))
