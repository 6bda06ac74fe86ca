import { present } from '@/core/present'
import { larger, negateMoney, smaller, sumMoney, ZERO, type Decimal, type Money, isWhole } from '@/core/money'
import {
  firstDayToLeave,
  isPast,
  mayGo,
  proposePicking,
  sameName,
  type Lying,
  type Pile,
  type Taken,
} from '@/core/stock'
import type { Goods } from '@/data/queries/goods'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import { listPlaces, listPileChanges, type MoveRow } from '@/data/queries/stock'
import { needsOf } from './kitNeeds'
import type { Leaving, Plan } from './leaving'
import { refusePiece } from './refusePiece'
import { stockOn, takeFromPile, type Stock } from './stockOn'
import type { Day } from '@/core/day'

export interface Left {
  readonly moves: readonly MoveRow[]
  /** What each of the asked cost, in order. */
  readonly costs: readonly Money[]
}

/**
 * Takes goods off the shelves at what they cost, kits of a line assembled or as their parts: from the places, lots and serials named, else from where
 * picking proposes. Locks the goods and refuses more than is there; writes nothing itself.
 */
export const planLeaving = async (w: Work, leaving: readonly Leaving[], plan: Plan): Promise<Left> => {
  const parts = (l: Leaving): readonly Goods[] => l.kit?.parts.map((p) => present(plan.partsOf?.get(p.goodsId))) ?? []
  const stock = await stockInTurn(
    w,
    leaving.filter((l) => l.goods.kind === 'stock' || l.goods.kind === 'kit').flatMap((l) => [l.goods, ...parts(l)]),
    plan.on,
  )
  const needs = needsOf(leaving, stock, plan)
  const flat = needs.flat()
  for (const { goods, quantity } of flat)
    if (goods.track === 'serial' && !isWhole(quantity))
      refuse({ code: 'whole-serials', goods: goods.name, asked: quantity })
  const picked = pickedFrom(flat, stock, plan)
  const moves: MoveRow[] = []
  const costs: Money[] = []
  for (const parts of needs) {
    const ofParts: Money[] = []
    for (const need of parts)
      for (const ask of present(picked.get(need))) ofParts.push(await takeFrom(w, { stock, moves, plan }, ask))
    costs.push(sumMoney(ofParts, w.currency))
  }
  return { moves, costs }
}

/** What lies of goods, in the order in which places stand: of two choices as good the first one is taken. */
const stockInTurn = async (w: Work, goods: readonly Goods[], on: Day): Promise<Stock> => {
  const places = await listPlaces(w.tx)
  const stock = await stockOn(w, goods, on)
  const turn = (p: Pile): number => places.findIndex((x) => x.id === p.placeId)
  return { ...stock, piles: [...stock.piles].sort((a, b) => turn(a) - turn(b)) }
}

/** One thing asked for in one way: any of it, or from a place, a lot, or one serial. */
interface Ask {
  readonly need: Leaving
  readonly placeId?: number
  readonly lot?: string
  readonly serial?: string
  readonly batchId?: number
  readonly quantity: Decimal
}
type Picked = Ask & { readonly from: readonly Taken[]; readonly short: Decimal }

const asksOf = (need: Leaving): readonly Ask[] =>
  (need.from ?? [{ quantity: need.quantity }]).flatMap(({ placeId, lot, serials = [], batchId, quantity }): Ask[] =>
    serials.length > 0
      ? serials.map((serial) => ({ need, placeId, serial, quantity: quantity.div(serials.length) }))
      : [{ need, placeId, lot, batchId, quantity }],
  )

const fits = (pile: Pile, ask: Ask): boolean =>
  pile.goodsId === ask.need.goods.id &&
  (ask.placeId === undefined || pile.placeId === ask.placeId) &&
  (ask.batchId === undefined || pile.batchId === ask.batchId) &&
  (ask.lot === undefined || sameName(pile.batch?.lot, ask.lot)) &&
  (ask.serial === undefined || sameName(pile.batch?.serial, ask.serial))

/** The most particular is served first: a serial, a lot in a place, a lot, a place; then all that name nothing, together. */
const particular = (ask: Ask): number =>
  (ask.batchId === undefined ? 0 : 8) +
  (ask.serial === undefined ? 0 : 4) +
  (ask.lot === undefined ? 0 : 2) +
  (ask.placeId === undefined ? 0 : 1)

/** Where each is taken from: where it was named, and what picking proposes of the rest. */
const pickedFrom = (
  needs: readonly Leaving[],
  stock: Stock,
  { on, toCustomer = false }: Plan,
): ReadonlyMap<Leaving, readonly Picked[]> => {
  let lying: readonly (Lying & { readonly pile: Pile })[] = mayGo(stock.piles, on, toCustomer)
  const take = (from: readonly Taken[], goodsId: number): void => {
    lying = lying.map((l) => {
      const taken = from.find((f) => l.goodsId === goodsId && f.placeId === l.placeId && f.batchId === l.batchId)
      return taken ? { ...l, quantity: l.quantity.minus(taken.quantity) } : l
    })
  }
  const asks = needs.flatMap(asksOf)
  const done = new Map<Ask, Picked>()
  const propose = (some: readonly Ask[], piles: readonly Lying[]): void => {
    const wanted = some.map((a) => ({ goodsId: a.need.goods.id, quantity: a.quantity }))
    for (const [i, picking] of proposePicking(wanted, piles).entries()) {
      const ask = present(some[i])
      done.set(ask, { ...ask, ...picking })
      take(picking.from, ask.need.goods.id)
    }
  }
  const named = asks.filter((a) => particular(a) > 0).sort((a, b) => particular(b) - particular(a))
  for (const ask of named)
    propose(
      [ask],
      lying.filter((l) => fits(l.pile, ask)),
    )
  propose(
    asks.filter((a) => particular(a) === 0),
    lying,
  )
  return new Map(needs.map((n) => [n, asks.filter((a) => a.need === n).map((a) => present(done.get(a)))]))
}

interface Taking {
  /** What lies where, lowered by what was taken. */
  readonly stock: Stock
  readonly moves: MoveRow[]
  readonly plan: Plan
}

/** Takes one of them from where it was picked: adds its moves, lowers the stock for the next, answers what it cost. */
const takeFrom = async (w: Work, { stock, moves, plan }: Taking, ask: Picked): Promise<Money> => {
  const { goods, saleLineId } = ask.need
  if (ask.short.gt(0)) await refuseShort(w, stock, ask, plan)
  const costs: Money[] = []
  for (const { quantity, ...at } of ask.from) {
    const pile = { goodsId: goods.id, ...at }
    const cost = takeFromPile(stock, goods, pile, quantity) ?? (await refuseBefore(w, stock, ask, plan.on))
    moves.push({ ...pile, on: plan.on, quantity: quantity.neg(), value: negateMoney(cost), saleLineId })
    costs.push(cost)
  }
  return sumMoney(costs, w.currency)
}

const sumOf = (piles: readonly Pile[], of: 'now' | 'free'): Decimal => piles.reduce((all, p) => all.plus(p[of]), ZERO)

/** Fewer lie there than are asked for: says so, and the way out. */
const refuseShort = async (w: Work, stock: Stock, ask: Picked, plan: Plan): Promise<never> => {
  const { goods } = ask.need
  if (ask.serial !== undefined || ask.lot !== undefined)
    return refusePiece(w, { goods, serial: ask.serial, lot: ask.lot, placeId: ask.placeId, asked: ask.quantity, plan })
  const piles = stock.piles.filter((p) => fits(p, ask) && !(plan.toCustomer && isPast(p.batch, plan.on)))
  const there = larger(sumOf(piles, 'now'), ZERO)
  if (there.gte(ask.quantity) && sumOf(piles, 'free').lt(ask.quantity)) return refuseBefore(w, stock, ask, plan.on)
  if (plan.counted) return refuseCounted(w, stock, ask, plan.on)
  // Others of the same command name the place where the rest of them lies.
  const left = smaller(there, ask.quantity.minus(ask.short))
  return ask.placeId === undefined
    ? refuse({ code: 'not-enough-stock', goods: goods.name, onHand: left, asked: ask.quantity })
    : refuseAtPlace(w, stock, ask, left)
}

/** More went since than a count of a past day left: from which day on it may say so. */
const refuseCounted = async (w: Work, stock: Stock, ask: Ask, on: Day): Promise<never> =>
  refuse({
    code: 'not-before',
    from: (await firstDays(w, stock, ask, on))[0] ?? w.today,
    what: `More of ${ask.need.goods.name} was handed over since than that count left.`,
  })

/** Too few lie in the place that was named: says so, and where most of the others lie. */
const refuseAtPlace = async (
  w: Work,
  stock: Stock,
  { need, quantity, placeId }: Picked,
  there: Decimal,
): Promise<never> => {
  const places = await listPlaces(w.tx)
  const nameOf = (id: number | undefined): string => places.find((p) => p.id === id)?.name ?? 'That place'
  const elsewhere = places.map((p) => ({
    placeId: p.id,
    there: sumOf(
      stock.piles.filter((s) => s.goodsId === need.goods.id && s.placeId === p.id && p.id !== placeId),
      'now',
    ),
  }))
  const [most] = elsewhere.filter((p) => p.there.gt(0)).sort((a, b) => b.there.cmp(a.there))
  return refuse({
    code: 'not-at-place',
    goods: need.goods.name,
    place: nameOf(placeId),
    there,
    asked: quantity,
    instead: most ? { place: nameOf(most.placeId), there: most.there } : null,
  })
}

/** The later days from which so many may leave where they were asked for, the first one first. */
const firstDays = async (w: Work, stock: Stock, ask: Ask, on: Day): Promise<readonly Day[]> => {
  const changes = await listPileChanges(w.tx, [ask.need.goods.id])
  const days = stock.piles
    .filter((p) => fits(p, ask))
    .flatMap((p) => {
      const mine = changes.filter((c) => c.placeId === p.placeId && c.batchId === p.batchId)
      const by = mine.map((c) => ({ on: c.on, by: c.quantity }))
      return firstDayToLeave(by, smaller(ask.quantity, p.now), on) ?? []
    })
  return days.filter((d) => d > on).sort()
}

/** Goods that lie there now, but did not on that day: from which day on they may leave. */
const refuseBefore = async (w: Work, stock: Stock, ask: Ask, on: Day): Promise<never> =>
  refuse({
    code: 'not-before',
    from: (await firstDays(w, stock, ask, on))[0] ?? w.today,
    what: `So much of ${ask.need.goods.name} did not lie there yet on that day.`,
  })
