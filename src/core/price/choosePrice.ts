import { formatPercent } from '../locale'
import { decimal, HUNDRED, type Decimal, decimalPlaces } from '../money'
import type { Day } from '../day'
import { stepFor, type Step } from './stepFor'

/** A price of one thing from a quantity on: for one level, or for everybody (`levelId` null). */
export interface PriceOffer extends Step {
  readonly levelId: number | null
  readonly price: Decimal
}

export interface PriceLevel {
  readonly id: number
  readonly name: string
  /** Off the list, 0 to 100. */
  readonly percentOff: Decimal
}

export interface ChosenPrice {
  readonly price: Decimal
  readonly level: string | null
  readonly percentOff: Decimal
  /** The quantity its step begins at; zero where there are no steps. */
  readonly fromQuantity: Decimal
  readonly validUntil: Day | null
}

/**
 * What one unit costs a customer, and where that price came from.
 *
 * A price of the level's own for the thing wins; else the level's percentage comes off the price everybody pays at that
 * quantity; else that price itself: a quantity step for everybody, or the list. What the percentage leaves is rounded to as
 * many places as the price had, and at least `digits` (those of the currency): a price told to a customer stays plain.
 *
 * @example list 12.50, level "Schools" 10 % off, 3 wanted → 11.25
 * @example list 12.50, from 10 on 11.00 for everybody, level 10 % off, 12 wanted → 9.90
 */
export const choosePrice = (wish: {
  readonly list: Decimal
  readonly level: PriceLevel | null
  readonly offers: readonly PriceOffer[]
  readonly quantity: Decimal
  readonly on: Day
  readonly digits: number
}): ChosenPrice => {
  const { list, level, offers } = wish
  const step = (levelId: number | null) =>
    stepFor(
      offers.filter((o) => o.levelId === levelId),
      wish,
    )
  const own = level ? step(level.id) : undefined
  const none = decimal(0)
  if (own && level)
    return {
      price: own.price,
      level: level.name,
      percentOff: none,
      fromQuantity: own.fromQuantity,
      validUntil: own.validUntil,
    }
  const everybody = step(null)
  const base = everybody?.price ?? list
  const percentOff = level?.percentOff ?? none
  return {
    price: base
      .times(HUNDRED.minus(percentOff))
      .div(HUNDRED)
      .round(Math.max(wish.digits, decimalPlaces(base))),
    level: level && percentOff.gt(0) ? level.name : null,
    percentOff,
    fromQuantity: everybody?.fromQuantity ?? none,
    validUntil: everybody?.validUntil ?? null,
  }
}

/** Where a price came from, in a few words: `list`, `Schools, 10% off list price`, `from 10`, `Schools, from 10`. */
export const sayPriceSource = (chosen: ChosenPrice): string => {
  const step = chosen.fromQuantity.gt(0) ? `from ${chosen.fromQuantity.toString()}` : ''
  const off = chosen.percentOff.gt(0)
    ? `${formatPercent(chosen.percentOff.toString())} off ${step || 'list price'}`
    : step
  const words = [chosen.level, off].filter(Boolean).join(', ')
  return words || 'list'
}
