import { listOpenBaskets } from '@/data/queries/baskets'
import type { Part } from '@/data/queries/inOrder'
import { countInHand, countStands, listSaleIds, type SaleFilter } from '@/data/queries/sales'
import type { Where } from '../where'
import { readStories } from './readStories'
import type { Story } from './story'

/** Stories read at a time, so that memory does not grow with the trade. */
const AT_ONCE = 500

/** Sales that fit, the newest first where no order is asked for. */
export const readSaleList = async (
  { db, business, today }: Where,
  filter: SaleFilter,
  part: Part,
): Promise<readonly Story[]> => {
  const ids = await listSaleIds(db, filter, part, today)
  const stories: Story[] = []
  for (let at = 0; at < ids.length; at += AT_ONCE)
    stories.push(...(await readStories(db, ids.slice(at, at + AT_ONCE), business, today)))
  return stories
}

/** How many sales stand where. */
export const countSalesByStands = ({ db, today }: Where) => countStands(db, today)

/** How many sales are agreed and not finished. */
export const countSalesInHand = ({ db }: Where) => countInHand(db)

export type BasketRow = Awaited<ReturnType<typeof listOpenBaskets>>[number]

/** Baskets on the shopfront that nobody ordered yet. */
export const readOpenBaskets = ({ db }: Where) => listOpenBaskets(db)
