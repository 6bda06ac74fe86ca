import { shelfOn, type ShelfChanges, type ShelfOn } from '@/core/stock'
import type { Day } from '@/core/day'
import type { Work } from '../command'
import { listShelfChanges, lockShelves } from '@/data/queries/stock'

export interface PlacedShelf extends ShelfOn {
  readonly goodsId: number
  readonly placeId: number
}

/** Locks the shelves of goods, and says how each stood on a day. Nothing is dated after today, so today only the sums count. */
export const shelvesOn = async (w: Work, goodsIds: readonly number[], on: Day): Promise<PlacedShelf[]> => {
  const rows = await lockShelves(w.tx, goodsIds, w.currency)
  if (on >= w.today) return rows.map(({ shelf, ...at }) => ({ ...at, shelf, free: shelf, now: shelf }))
  const changes = await listShelfChanges(w.tx, goodsIds)
  return rows.map(({ shelf, ...at }) => ({ ...at, ...shelfOn(shelf, changesOf(changes, at), on) }))
}

/** What changed one shelf. */
export const changesOf = (
  all: Awaited<ReturnType<typeof listShelfChanges>>,
  at: { readonly goodsId: number; readonly placeId: number },
): ShelfChanges => {
  const mine = all.filter((c) => c.goodsId === at.goodsId && c.placeId === at.placeId)
  return {
    quantity: mine.map((c) => ({ on: c.on, by: c.quantity })),
    value: mine.map((c) => ({ on: c.on, by: c.value })),
  }
}
