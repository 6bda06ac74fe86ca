import { smaller, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { kitsOut, mayGo, pilesOn, proposePicking, type Lying } from '@/core/stock'
import type { Db } from '@/data/connect'
import { findBatches } from '@/data/queries/batch'
import { listPileChanges, listPlaces } from '@/data/queries/stock'
import type { Asked } from '../where'
import { pieceNames } from './pieceNames'
import { togetherIn } from './together'
import { readStories } from '../sale/readStories'

/** How many of each thing lie where and may be handed over on a day, so that no later day falls below zero. */
export const readFree = async (db: Db, goodsIds: readonly number[], on: Day): Promise<readonly Lying[]> => {
  const [changes, places] = await Promise.all([listPileChanges(db, goodsIds), listPlaces(db)])
  const batches = await findBatches(
    db,
    changes.flatMap((c) => c.batchId ?? []),
  )
  const lying = mayGo(pilesOn(changes, batches, on), on, true).filter((l) => l.quantity.gt(0))
  const turn = (l: Lying): number => places.findIndex((p) => p.id === l.placeId)
  return [...lying].sort((a, b) => turn(a) - turn(b))
}

/** So many of a line. */
interface Only {
  readonly lineId: number
  readonly quantity: Decimal
}

interface Need {
  readonly lineId: number
  readonly goodsId: number
  /** To be handed over, and what of it is set aside for this sale. */
  readonly quantity: Decimal
  readonly may: Decimal
}

/**
 * What is still to be handed over of a sale, or so many of some of its lines, and from which places: the fewest there are. Kits
 * assembled as far as they lie so, else as their parts.
 */
export const readPicking = async (
  db: Db,
  saleId: number,
  on: Day,
  { business, today, only }: Pick<Asked, 'business' | 'today'> & { readonly only?: readonly Only[] },
) => {
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const lines = story.lines.filter((l) => l.fromShelf && l.goodsId !== null && l.toHandOver.gt(0))
  const needs = lines.flatMap((l): readonly Need[] => {
    const asked = only?.find((o) => o.lineId === l.id)?.quantity
    if (only && !asked) return []
    const quantity = smaller(asked ?? l.toHandOver, l.toHandOver)
    if (l.kind !== 'kit') return [{ lineId: l.id, goodsId: present(l.goodsId), quantity, may: l.setAside }]
    const ahead = new Map(l.parts.map((p) => [p.goodsId, p.ahead]))
    const kit = { parts: l.parts.map((p) => ({ goodsId: p.goodsId, quantity: p.perKit })), ahead, asUsual: true }
    const { assembled, parts } = kitsOut(kit, quantity, l.assembled)
    const ofKit = { lineId: l.id, goodsId: present(l.goodsId), quantity: assembled, may: assembled }
    const ofParts = parts.map((p, i) => ({ lineId: l.id, ...p, may: present(l.parts[i]).setAside }))
    return [ofKit, ...ofParts].filter((n) => n.quantity.gt(0))
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
  const named = await pieceNames(
    db,
    picked.flatMap((p) => p.from),
  )
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
        from: togetherIn(
          from.map((f) => ({ ...f, goodsId: n.goodsId })),
          named,
        ).map((f) => ({
          placeId: f.placeId,
          place: nameOf(f.placeId),
          ...f.pieces,
          quantity: f.quantity.toString(),
        })),
      }
    }),
  }
}
