import { decimal, smaller, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { freeOn, proposePicking, type Lying } from '@/core/stock'
import type { Db } from '@/data/connect'
import { findGoods } from '@/data/queries/goods'
import { listPlaces, listShelfChanges } from '@/data/queries/stock'
import type { Business } from '@/data/queries/business'
import { readStories } from '../sale/readStories'

/** How many of each thing lie in each place and may leave it on a day, so that no later day falls below zero. */
export const readFree = async (db: Db, goodsIds: readonly number[], on: Day): Promise<readonly Lying[]> => {
  const [changes, places] = await Promise.all([listShelfChanges(db, goodsIds), listPlaces(db)])
  return places.flatMap((p) =>
    [...new Set(goodsIds)].map((goodsId) => {
      const here = changes.filter((c) => c.goodsId === goodsId && c.placeId === p.id)
      const quantity = freeOn(
        here.map((c) => ({ on: c.on, by: c.quantity })),
        on,
      )
      return { goodsId, placeId: p.id, quantity }
    }),
  )
}

interface Need {
  readonly lineId: number
  readonly goodsId: number
  /** To be handed over, and what of it is set aside for this sale. */
  readonly quantity: Decimal
  readonly may: Decimal
}

/** What is still to be handed over of a sale, kits as their parts, and from which places: the fewest there are. */
export const readPicking = async (db: Db, saleId: number, on: Day, business: Business, today: Day) => {
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const lines = story.lines.filter((l) => l.fromShelf && l.goodsId !== null && l.toHandOver.gt(0))
  const goods = await findGoods(
    db,
    lines.map((l) => present(l.goodsId)),
  )
  const needs = lines.flatMap((l): readonly Need[] => {
    const thing = present(goods.get(present(l.goodsId)))
    const parts = thing.kind === 'kit' ? thing.parts : [{ goodsId: thing.id, quantity: decimal(1) }]
    return parts.map((p) => ({
      lineId: l.id,
      goodsId: p.goodsId,
      quantity: l.toHandOver.times(p.quantity),
      may: l.setAside.times(p.quantity),
    }))
  })
  const free = await readFree(
    db,
    needs.map((n) => n.goodsId),
    on,
  )
  const picked = proposePicking(
    needs.map((n) => ({ goodsId: n.goodsId, quantity: smaller(n.may, n.quantity) })),
    free,
  )
  const places = await listPlaces(db)
  /** Where there is one place, nobody is told its name. */
  const nameOf = (id: number): string => (places.length < 2 ? '' : (places.find((p) => p.id === id)?.name ?? ''))
  return {
    saleId,
    lines: needs.map((n, i) => {
      const { from } = present(picked[i])
      return {
        lineId: n.lineId,
        goodsId: n.goodsId,
        quantity: n.quantity.toString(),
        short: from.reduce((left, f) => left.minus(f.quantity), n.quantity).toString(),
        from: from.map((f) => ({
          placeId: f.placeId,
          place: nameOf(f.placeId),
          lot: null,
          serials: [],
          quantity: f.quantity.toString(),
        })),
      }
    }),
  }
}
