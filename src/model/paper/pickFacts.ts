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

/** What to gather for a sale, in the order of places: as its open pick list says, else as it is proposed now. Null where there is none. */
export const readPickFacts = async (asked: Asked, saleId: number) => {
  const { db, business, today } = asked
  const facts = await readSaleFacts(asked, saleId)
  if (!facts) return null
  const [[open], places, picking] = await Promise.all([
    listPicks(db, { saleId, open: true }),
    listPlaces(db),
    readPicking(db, saleId, today, { business, today }),
  ])
  const lines = open
    ? open.lines.map((l) => ({ lineId: l.lineId, goodsId: l.goodsId, quantity: l.wanted, from: l.from }))
    : present(picking).lines.map((l) => ({ ...l, quantity: decimal(l.quantity) }))
  const goodsIds = lines.map((l) => l.goodsId)
  const [goods, shelves] = await Promise.all([findGoods(db, goodsIds), sumShelves(db, goodsIds, business.currency)])
  const turn = (placeId: number): number => places.findIndex((p) => p.id === placeId)
  const rows = lines.flatMap(({ lineId, goodsId, quantity, from }) => {
    const { code, name } = present(goods.get(goodsId))
    const description = facts.story.lines.find((l) => l.id === lineId)?.description ?? name
    const onHand = shelves.get(goodsId)?.quantity ?? ZERO
    const missing = from.reduce((left, f) => left.minus(decimal(f.quantity)), quantity)
    return [
      ...from.map((f) => ({
        turn: turn(f.placeId),
        row: {
          code,
          name,
          description,
          place: places.length > 1 ? (places.find((p) => p.id === f.placeId)?.name ?? '') : '',
          lot: f.lot,
          serials: f.serials,
          quantity: f.quantity,
          missing: false,
          onHand,
        },
      })),
      ...(missing.gt(0)
        ? [
            {
              turn: places.length,
              row: {
                code,
                name,
                description,
                place: '',
                lot: null,
                serials: [],
                quantity: missing.toString(),
                missing: true,
                onHand,
              },
            },
          ]
        : []),
    ]
  })
  return {
    ...facts,
    number: open?.number ?? String(facts.story.sale.number),
    rows: rows.sort((a, b) => a.turn - b.turn).map((r): PickRowOnPaper => r.row),
  }
}
