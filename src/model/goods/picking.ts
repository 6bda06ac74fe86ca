import { smaller, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { lineState } from '@/core/sale'
import { kitsOut, mayGo, pilesNow, pilesOn, proposePicking, type Lying, type Taken } from '@/core/stock'
import type { Db } from '@/data/connect'
import { findBatches } from '@/data/queries/batch'
import { listSaleLines, type SaleLineRow } from '@/data/queries/saleLine'
import { findSales } from '@/data/queries/sales'
import { listPileChanges, listPiles, listPlaces } from '@/data/queries/stock'
import type { Asked } from '../where'
import { pieceNames } from './pieceNames'
import { togetherIn } from './together'
import { readSetAside, type Kept } from '../sale/setAside'
import { rowsBy } from '@/core/rowsBy'

const batchIds = (rows: readonly { readonly batchId: number | null }[]): number[] =>
  rows.flatMap((r) => r.batchId ?? [])
const readPilesNow = async (db: Db, goodsIds: readonly number[]) => {
  const lying = await listPiles(db, goodsIds)
  return pilesNow(lying, await findBatches(db, batchIds(lying)))
}
const readPilesOn = async (db: Db, goodsIds: readonly number[], on: Day) => {
  const changes = await listPileChanges(db, goodsIds)
  return pilesOn(changes, await findBatches(db, batchIds(changes)), on)
}

/** How many of each thing lie where and may be handed over on a day, so that no later day falls below zero. */
const readFree = async (
  db: Db,
  goodsIds: readonly number[],
  { on, today }: { readonly on: Day; readonly today: Day },
): Promise<readonly Lying[]> => {
  const places = await listPlaces(db)
  // Nothing is dated after today: what lies now is free.
  const piles = on >= today ? await readPilesNow(db, goodsIds) : await readPilesOn(db, goodsIds, on)
  const lying = mayGo(piles, on, true).filter((l) => l.quantity.gt(0))
  const turns = new Map(places.map((p, turn) => [p.id, turn]))
  const turn = (l: Lying): number => turns.get(l.placeId) ?? 0
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

interface Wish extends Pick<Asked, 'business' | 'today'> {
  /** Just so many of some lines. */
  readonly only?: readonly Only[]
}

/** What of a line is still to go, and what of it is set aside. */
interface Left extends Kept {
  readonly line: SaleLineRow
  readonly toHandOver: Decimal
}

/** What lines still need: kits assembled as far as they lie so, else as their parts. */
const needsOf = (left: readonly Left[], only: Wish['only']): readonly Need[] =>
  left
    .filter((l) => l.fromShelf && l.line.goodsId !== null && l.toHandOver.gt(0))
    .flatMap((l) => {
      const asked = only?.find((o) => o.lineId === l.line.id)?.quantity
      if (only && !asked) return []
      const quantity = smaller(asked ?? l.toHandOver, l.toHandOver)
      const ofLine = { lineId: l.line.id, goodsId: present(l.line.goodsId) }
      if (l.line.kind !== 'kit') return [{ ...ofLine, quantity, may: l.setAside }]
      const ahead = new Map(l.parts.map((p) => [p.goodsId, p.ahead]))
      const kit = {
        parts: l.parts.map((p) => ({ goodsId: p.goodsId, quantity: p.perKit })),
        ahead,
        asUsual: true,
      }
      const { assembled, parts } = kitsOut(kit, quantity, l.assembled)
      const ofKit = { ...ofLine, quantity: assembled, may: assembled }
      const ofParts = parts.map((p, i) => ({ ...ofLine, ...p, may: present(l.parts[i]).setAside }))
      return [ofKit, ...ofParts].filter((n) => n.quantity.gt(0))
    })

/** What lies free, thing by thing; what is taken for one sale is not proposed to the next. */
const binsOf = (free: readonly Lying[]) => {
  const bins = new Map(rowsBy(free, (l) => l.goodsId))
  const turns = new Map([...new Set(free.map((l) => l.placeId))].map((placeId, turn) => [placeId, turn]))
  const turnOf = (l: Lying): number => turns.get(l.placeId) ?? 0
  return {
    /** In the order of places. */
    of: (goodsIds: readonly number[]): readonly Lying[] =>
      [...new Set(goodsIds)].flatMap((id) => bins.get(id) ?? []).sort((a, b) => turnOf(a) - turnOf(b)),
    take: (goodsId: number, taken: readonly Taken[]): void => {
      const left = (bins.get(goodsId) ?? []).map((l) => {
        const part = taken.find((t) => t.placeId === l.placeId && t.batchId === l.batchId)
        return part ? { ...l, quantity: l.quantity.minus(part.quantity) } : l
      })
      bins.set(goodsId, left)
    },
  }
}

/**
 * What is still to be handed over of sales, or so many of some lines, and from which places: the fewest there are for each. Kits
 * assembled as far as they lie so, else as their parts. No piece is proposed to two of them.
 */
export const readPickings = async (db: Db, saleIds: readonly number[], on: Day, { business, today, only }: Wish) => {
  const [sales, lines] = await Promise.all([findSales(db, saleIds, business.currency), listSaleLines(db, saleIds)])
  const kept = await readSetAside(db, lines, sales, today)
  const wanted = sales.map(({ id: saleId }) => {
    const left = lines
      .filter((l) => l.saleId === saleId)
      .flatMap((line): Left[] => {
        const its = kept.get(line.id)
        return its ? [{ ...its, line, toHandOver: lineState(line).toHandOver }] : []
      })
    return { saleId, needs: needsOf(left, only) }
  })
  const goodsIds = wanted.flatMap((x) => x.needs.map((n) => n.goodsId))
  const [free, places] = await Promise.all([readFree(db, goodsIds, { on, today }), listPlaces(db)])
  const lying = binsOf(free)
  const proposed = wanted.map(({ saleId, needs }) => {
    const picked = proposePicking(
      needs.map((n) => ({ goodsId: n.goodsId, quantity: smaller(n.may, n.quantity) })),
      lying.of(needs.map((n) => n.goodsId)),
    )
    needs.forEach((n, i) => lying.take(n.goodsId, present(picked[i]).from))
    return { saleId, needs: needs.map((n, i) => ({ ...n, from: present(picked[i]).from })) }
  })
  const named = await pieceNames(
    db,
    proposed.flatMap((p) => p.needs.flatMap((n) => n.from)),
  )
  /** Where there is one place, nobody is told its name. */
  const nameOf = (id: number): string => (places.length < 2 ? '' : (places.find((p) => p.id === id)?.name ?? ''))
  return proposed.map(({ saleId, needs }) => ({
    saleId,
    lines: needs.map(({ lineId, goodsId, quantity, from }) => ({
      lineId,
      goodsId,
      quantity: quantity.toString(),
      short: from.reduce((left, f) => left.minus(f.quantity), quantity).toString(),
      from: togetherIn(
        from.map((f) => ({ ...f, goodsId })),
        named,
      ).map((f) => ({
        placeId: f.placeId,
        place: nameOf(f.placeId),
        ...f.pieces,
        quantity: f.quantity.toString(),
      })),
    })),
  }))
}

/** The same of one sale; null where there is none. */
export const readPicking = async (db: Db, saleId: number, on: Day, wish: Wish) =>
  (await readPickings(db, [saleId], on, wish))[0] ?? null
