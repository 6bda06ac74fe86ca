import { refuse } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { absMoney, money, sumMoney, toDecimalString, toFourPlaces, ZERO, type Decimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import { warrantyEnds, type Batch } from '@/core/stock'
import type { Db } from '@/data/connect'
import { findBatchesNamed, listLife, type LifeRow } from '@/data/queries/batch'
import { findGoods, type Goods } from '@/data/queries/goods'
import { listPlaces, listStockOn } from '@/data/queries/stock'
import { sayMove } from '@/core/names'
import type { Where } from '../where'

/** Who has pieces that went: a customer, with how many of them. */
export interface Holder {
  readonly customerId: number
  readonly customer: string
  readonly quantity: Decimal
}

/** A serial or a lot with its whole life. */
export interface PieceLife {
  readonly goods: Goods
  readonly batches: readonly Batch[]
  readonly life: readonly LifeRow[]
  readonly here: readonly {
    readonly placeId: number
    readonly place: string
    readonly quantity: Decimal
    readonly value: Money
  }[]
  readonly holders: readonly Holder[]
  /** The last day of the warranty: from the day it went on, where its goods have one and somebody has it. */
  readonly warrantyUntil: Day | null
}

/** How many of a thing each customer has: what went to them less what they brought back. */
const holdersOf = (life: readonly LifeRow[]): readonly Holder[] => {
  const held = new Map<number, Holder>()
  for (const { customerId, customer, quantity } of life) {
    if (customerId === null) continue
    const before = held.get(customerId)
    held.set(customerId, {
      customerId,
      customer: present(customer),
      quantity: (before?.quantity ?? ZERO).minus(quantity),
    })
  }
  return [...held.values()].filter((h) => h.quantity.gt(0))
}

/** The goods of which there is such a serial or lot; the one that is asked for. */
const oneOf = (batches: readonly Batch[], goodsId: number | undefined, by: 'serial' | 'lot'): readonly Batch[] => {
  const mine = goodsId === undefined ? batches : batches.filter((b) => b.goodsId === goodsId)
  const ids = [...new Set(mine.map((b) => b.goodsId))]
  if (ids.length > 1)
    refuse({
      code: 'invalid',
      errors: [
        { path: 'goodsId', message: `Several goods have this ${by}: ${ids.join(', ')}. Say which with goodsId.` },
      ],
    })
  return mine
}

/** Everything that happened to a serial or a lot; null where there is none. */
export const readPieceLife = async (
  { db, currency, today }: Pick<Where, 'db' | 'currency' | 'today'>,
  by: 'serial' | 'lot',
  name: string,
  goodsId?: number,
): Promise<PieceLife | null> => {
  const batches = oneOf(await findBatchesNamed(db, by, name), goodsId, by)
  const [first] = batches
  if (!first) return null
  const ids = batches.map((b) => b.id)
  const [goods, life, stock, places] = await Promise.all([
    findGoods(db, [first.goodsId]),
    listLife(db, ids),
    listStockOn(db, { asOf: today, goodsIds: [first.goodsId] }, currency),
    listPlaces(db),
  ])
  const mine = stock.filter((s) => s.batchId !== null && ids.includes(s.batchId))
  const here = places.flatMap((p) => {
    const rows = mine.filter((s) => s.placeId === p.id)
    const quantity = rows.reduce((sum, r) => sum.plus(r.quantity), ZERO)
    const value = sumMoney(
      rows.map((r) => r.value),
      currency,
    )
    return rows.length === 0 ? [] : [{ placeId: p.id, place: p.name, quantity, value }]
  })
  const holders = holdersOf(life)
  const thing = present(goods.get(first.goodsId))
  const went = life.findLast((l) => l.customerId !== null && l.quantity.lt(0))
  return {
    goods: thing,
    batches,
    life,
    here,
    holders,
    warrantyUntil: went && holders.length > 0 ? warrantyEnds(went.on, thing.warrantyMonths) : null,
  }
}

/** What a piece is worth while it is here, with what was found out about it since it came; else what it cost as it left. */
const costOf = ({ life, here }: PieceLife, currency: string): Money =>
  here.length > 0
    ? sumMoney(
        here.map((h) => h.value),
        currency,
      )
    : absMoney(money(life.findLast((l) => !l.quantity.eq(0))?.value ?? 0n, currency))

const lifeView = (life: readonly LifeRow[]) =>
  life.map((l) => ({
    on: l.on,
    what: sayMove(l.paperKind, l.quantity),
    paper: l.paper,
    quantity: toFourPlaces(l.quantity),
    placeId: l.placeId,
    saleId: l.saleId,
    customerId: l.customerId,
  }))

/** A serial over HTTP: where it came from, what it cost, where it is now or who has it. */
export const serialView = async (db: Db, currency: string, today: Day, serial: string, goodsId?: number) => {
  const piece = await readPieceLife({ db, currency, today }, 'serial', serial, goodsId)
  return (
    piece && {
      goodsId: piece.goods.id,
      serial: present(piece.batches[0]).serial,
      cost: toDecimalString(costOf(piece, currency)),
      placeId: piece.here[0]?.placeId ?? null,
      customerId: piece.holders[0]?.customerId ?? null,
      warrantyUntil: piece.warrantyUntil,
      life: lifeView(piece.life),
    }
  )
}

/** A lot over HTTP: what is left of it and where, and who has the rest. */
export const lotView = async (db: Db, currency: string, today: Day, lot: string, goodsId?: number) => {
  const piece = await readPieceLife({ db, currency, today }, 'lot', lot, goodsId)
  if (!piece) return null
  const first = present(piece.batches[0])
  return {
    goodsId: piece.goods.id,
    lot: first.lot,
    expires: first.expires,
    onHand: toFourPlaces(piece.here.reduce((sum, h) => sum.plus(h.quantity), ZERO)),
    value: toDecimalString(
      sumMoney(
        piece.here.map((h) => h.value),
        currency,
      ),
    ),
    here: piece.here.map((h) => ({
      placeId: h.placeId,
      onHand: toFourPlaces(h.quantity),
      value: toDecimalString(h.value),
    })),
    customers: piece.holders.map((h) => ({ customerId: h.customerId, quantity: toFourPlaces(h.quantity) })),
    life: lifeView(piece.life),
  }
}
