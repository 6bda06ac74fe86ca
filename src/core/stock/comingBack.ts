import {
  addMoney,
  negateMoney,
  roundToMoney,
  smaller,
  smallerMoney,
  toDecimal,
  ZERO,
  type Decimal,
  type Money,
} from '../money'
import type { PileAt } from './piles'

/** A line of the stock card: positive came, negative left; the value likewise. */
export interface Moved extends PileAt {
  readonly quantity: Decimal
  readonly value: Money
}

/** What is out of a thing and batch: how many, and what they left with; `placeId` is where they left from last. */
export type Out = Moved

const sameBatch = (a: PileAt, b: PileAt): boolean => a.goodsId === b.goodsId && a.batchId === b.batchId

/**
 * What of moves is still out, batch by batch, in the order in which it left. Moves in the order in which they were written.
 *
 * @example −3 worth −10.00, then +1 worth 3.33 → 2 worth 6.67
 */
export const stillOut = (moves: readonly Moved[]): readonly Out[] => {
  const outs: Out[] = []
  for (const move of moves) {
    const at = outs.findIndex((o) => sameBatch(o, move))
    const before = outs[at]
    const left = move.quantity.lt(0)
    if (!before) outs.push({ ...move, quantity: move.quantity.neg(), value: negateMoney(move.value) })
    else
      outs[at] = {
        ...before,
        placeId: left ? move.placeId : before.placeId,
        quantity: before.quantity.minus(move.quantity),
        value: addMoney(before.value, negateMoney(move.value)),
      }
  }
  return outs.filter((o) => o.quantity.gt(0))
}

/** A kit's line: the kit's own id, under which it is out where it went assembled, and how many of each part one needs. */
export interface KitOut {
  readonly kitId: number
  readonly perKit: ReadonlyMap<number, Decimal>
}

/** How many of a line come back of how many that are out. */
export interface ComingBackAs {
  readonly quantity: Decimal
  readonly whole: Decimal
  readonly kit?: KitOut
}

/**
 * What comes back of goods that went, batch by batch and worth what it left with: of each thing the same part, a kit's parts all
 * alike, to the ten-thousandth. What left last comes back first. The shares make the whole, and never more comes back than is out
 * of the line, whatever came back of it on other documents (`net`).
 *
 * `whole` is how many of the line are out, `quantity` how many of them come back, at most `whole`.
 *
 * @example 3 left with 10.00 → 1 comes back with 3.33, then 1 with 3.34 (of 6.67), the last with 3.33
 */
export const comeBack = (
  outs: readonly Out[],
  net: readonly Out[],
  { quantity, whole, kit }: ComingBackAs,
): readonly Out[] => {
  if (whole.lte(0)) return []
  const sumOf = (goodsId: number): Decimal =>
    outs.reduce((sum, o) => (o.goodsId === goodsId ? sum.plus(o.quantity) : sum), ZERO)
  // What went assembled comes back as it went, before what went as parts.
  const assembled = kit ? smaller(quantity, sumOf(kit.kitId)) : ZERO
  return [...new Set(outs.map((o) => o.goodsId))].flatMap((goodsId) => {
    const mine = outs.filter((o) => o.goodsId === goodsId)
    const all = sumOf(goodsId)
    const each = goodsId === kit?.kitId ? null : kit?.perKit.get(goodsId)
    const part =
      each === null ? assembled : each ? each.times(quantity.minus(assembled)) : all.times(quantity).div(whole).round(4)
    let missing = quantity.eq(whole) ? all : part
    return [...mine].reverse().flatMap((out) => {
      const still = net.find((n) => sameBatch(n, out))
      if (!still) return []
      const taken = smaller(smaller(missing, out.quantity), still.quantity)
      if (taken.lte(0)) return []
      missing = missing.minus(taken)
      return [{ ...out, quantity: taken, value: worthOf(taken, out, still) }]
    })
  })
}

/** All that is still out takes all it is worth; a part its share, and never more than that. */
const worthOf = (part: Decimal, out: Out, still: Out): Money => {
  if (part.eq(still.quantity)) return still.value
  const value = part.eq(out.quantity)
    ? out.value
    : roundToMoney(toDecimal(out.value).times(part).div(out.quantity), out.value.currency)
  return smallerMoney(value, still.value)
}
