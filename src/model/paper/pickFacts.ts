import { decimal, ZERO, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { findGoods } from '@/data/queries/goods'
import { listPicks } from '@/data/queries/pick'
import { listPlaces, sumShelves } from '@/data/queries/stock'
import { readPicking } from '../goods/picking'
import type { Asked } from '../where'
import { readSaleFacts } from './saleFacts'

/** Something to take, or something that is missing. */
export interface PickRowOnPaper {
  readonly code: string
  readonly name: string
  readonly description: string
  readonly place: string
  readonly lot: string | null
  readonly serials: readonly string[]
  readonly quantity: string
  readonly missing: boolean
  /** How many lie anywhere, for layouts that show it. */
  readonly onHand: Decimal
}

interface ToGather {
  readonly goodsId: number
  readonly description: string
  readonly quantity: Decimal
  readonly from: readonly {
    readonly placeId: number
    readonly lot: string | null
    readonly serials: readonly string[]
    readonly quantity: string
  }[]
}

/** Things to gather as rows, in the order of places; what is missing at the end. */
const rowsOf = async ({ db, business }: Asked, things: readonly ToGather[]): Promise<readonly PickRowOnPaper[]> => {
  const goodsIds = things.map((t) => t.goodsId)
  const [places, goods, shelves] = await Promise.all([
    listPlaces(db),
    findGoods(db, goodsIds),
    sumShelves(db, goodsIds, business.currency),
  ])
  const turn = (placeId: number): number => places.findIndex((p) => p.id === placeId)
  const nameOf = (placeId: number): string =>
    places.length > 1 ? (places.find((p) => p.id === placeId)?.name ?? '') : ''
  const rows = things.flatMap(({ goodsId, description, quantity, from }) => {
    const { code, name } = present(goods.get(goodsId))
    const thing = { code, name, description, onHand: shelves.get(goodsId)?.quantity ?? ZERO }
    const missing = from.reduce((left, f) => left.minus(decimal(f.quantity)), quantity)
    const none = { place: '', lot: null, serials: [], missing: true }
    return [
      ...from.map(({ placeId, lot, serials, quantity: taken }) => ({
        turn: turn(placeId),
        row: { ...thing, place: nameOf(placeId), lot, serials, quantity: taken, missing: false },
      })),
      ...(missing.gt(0) ? [{ turn: places.length, row: { ...thing, ...none, quantity: missing.toString() } }] : []),
    ]
  })
  return rows.sort((a, b) => a.turn - b.turn).map((r): PickRowOnPaper => r.row)
}

/** What to gather for a sale, in the order of places: as its open pick list says, else as it is proposed now. Null where there is none. */
export const readPickFacts = async (asked: Asked, saleId: number) => {
  const { db, today } = asked
  const facts = await readSaleFacts(asked, saleId)
  if (!facts) return null
  const [[open], picking] = await Promise.all([
    listPicks(db, { saleId, open: true }),
    readPicking(db, saleId, today, asked),
  ])
  const lines = open
    ? open.lines.map((l) => ({ lineId: l.lineId, goodsId: l.goodsId, quantity: l.wanted, from: l.from }))
    : present(picking).lines.map((l) => ({ ...l, quantity: decimal(l.quantity) }))
  const things = lines.map(({ lineId, ...l }) => ({
    ...l,
    description: facts.story.lines.find((x) => x.id === lineId)?.description ?? '',
  }))
  return { ...facts, number: open?.number ?? String(facts.story.sale.number), rows: await rowsOf(asked, things) }
}

/** What to gather for every pick list that is not picked yet, in the order of places: one walk for all of them. */
export const readRound = async (asked: Asked): Promise<readonly PickRowOnPaper[]> => {
  const picks = await listPicks(asked.db, { state: 'to pick' })
  return rowsOf(
    asked,
    [...picks].reverse().flatMap((p) =>
      p.lines.map((l) => ({
        goodsId: l.goodsId,
        description: `${p.number}, ${p.customer}`,
        quantity: l.wanted,
        from: l.from,
      })),
    ),
  )
}
