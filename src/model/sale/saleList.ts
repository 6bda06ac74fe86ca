import { countInHand, countStands, listSaleIds, type SaleFilter } from '@/data/queries/sales'
import { listOpenBaskets } from '@/data/queries/baskets'
import type { Where } from '../where'
import { readStories } from './readStories'

/** Sales that fit, the newest first, with how many stand where. */
export const readSaleList = async (
  { db, business, today }: Where,
  filter: SaleFilter,
  page: { readonly limit: number; readonly after?: number },
) => {
  const [ids, counts] = await Promise.all([listSaleIds(db, filter, page, today), countStands(db, today)])
  return { stories: await readStories(db, ids, business, today), counts }
}

/** How many sales are agreed and not finished. */
export const countSalesInHand = ({ db }: Where) => countInHand(db)

/** Baskets on the shopfront that nobody ordered yet. */
export const readOpenBaskets = ({ db }: Where) => listOpenBaskets(db)
