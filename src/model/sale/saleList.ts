import { listOpenBaskets, type BasketPart } from '@/data/queries/baskets'
import type { Part } from '@/data/queries/inOrder'
import { countInHand, countStands, listSaleIds, type SaleFilter } from '@/data/queries/sales'
import type { Where } from '../where'
import type { Glance } from './glance'
import { readGlances } from './readGlances'

/** Sales that fit, the newest first where no order is asked for. */
export const readSaleList = async (
  { db, business, today }: Where,
  filter: SaleFilter,
  part: Part,
): Promise<readonly Glance[]> => readGlances(db, await listSaleIds(db, filter, part, today), business, today)

/** How many sales stand where. */
export const countSalesByStands = ({ db, today }: Where) => countStands(db, today)

/** How many sales are agreed and not finished. */
export const countSalesInHand = ({ db }: Where) => countInHand(db)

export type BasketRow = Awaited<ReturnType<typeof listOpenBaskets>>[number]

/** Baskets on the shopfront that nobody ordered yet. */
export const readOpenBaskets = ({ db }: Where, part: BasketPart) => listOpenBaskets(db, part)
