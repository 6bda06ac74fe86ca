import { firstDayFor, lowestFrom, type Change } from '../running'
import { decimal, money, smallerMoney, type Decimal, type Money } from '../money'
import type { Day } from '../day'
import { leaveAtAverage, type Shelf } from './leaveAtAverage'

/** A shelf on a day: what lay there that evening, what may leave so that no later day falls below zero, and what lies there now. */
export interface ShelfOn {
  readonly shelf: Shelf
  readonly free: Shelf
  readonly now: Shelf
}

/** What changed a shelf, day by day: ten-thousandths of a quantity, and minor units of its value. */
export interface ShelfChanges {
  readonly quantity: readonly Change[]
  readonly value: readonly Change[]
}

const quantityOf = (units: bigint): Decimal => decimal(units < 0n ? 0n : units).div(10_000)
/** A quantity in ten-thousandths, as running balances count it. */
export const unitsOf = (quantity: Decimal): bigint => BigInt(quantity.times(10_000).toFixed(0))

const sumOn = (changes: readonly Change[], on: Day): bigint =>
  changes.reduce((sum, c) => (c.on <= on ? sum + c.by : sum), 0n)

/** How many lay there at the end of a day, from what changed it. */
export const quantityOn = (changes: ShelfChanges['quantity'], on: Day): Decimal => quantityOf(sumOn(changes, on))

/** How many may leave a shelf on a day, so that neither it nor any later day falls below zero, from what changed it. */
export const freeOn = (changes: ShelfChanges['quantity'], on: Day): Decimal => quantityOf(lowestFrom(changes, on))

/** A shelf as it stood on a day, from what changed it. */
export const shelfOn = (now: Shelf, changes: ShelfChanges, on: Day): ShelfOn => {
  const { currency } = now.value
  const positive = (minor: bigint): Money => money(minor < 0n ? 0n : minor, currency)
  return {
    now,
    shelf: { quantity: quantityOn(changes.quantity, on), value: positive(sumOn(changes.value, on)) },
    free: {
      quantity: freeOn(changes.quantity, on),
      value: positive(lowestFrom(changes.value, on)),
    },
  }
}

/**
 * The cost of units that leave on a day, at the average of that day; never more than later days bear, and all that is left
 * with the last of them. Null where the last of them are worth more now than lay there on the day: they came later.
 */
export const leaveOn = ({ shelf, free, now }: ShelfOn, quantity: Decimal): Money | null => {
  if (quantity.eq(now.quantity)) return now.value.minor <= free.value.minor ? now.value : null
  const atAverage = leaveAtAverage(shelf, quantity)
  return smallerMoney(atAverage, free.value)
}

/** The first day from which so much may leave a shelf for good; null where so much never lies there. */
export const firstDayToLeave = (changes: ShelfChanges['quantity'], quantity: Decimal, from: Day): Day | null =>
  firstDayFor([changes], unitsOf(quantity), from)
