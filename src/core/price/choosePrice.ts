import { formatPercent } from '../locale'
import { decimal, HUNDRED, type Decimal } from '../money'
import type { Day } from '../day'

/** A price of one thing from a quantity on: for one level, or for everybody (`levelId` null). */
export interface PriceOffer {
  readonly levelId: number | null
  readonly fromQuantity: Decimal
  readonly price: Decimal
  /** Both inclusive; null is open. */
  readonly validFrom: Day | null
  readonly validUntil: Day | null
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

const holds = (o: PriceOffer, on: Day): boolean =>
  (o.validFrom === null || o.validFrom <= on) && (o.validUntil === null || on <= o.validUntil)

/** The offer that serves a quantity: the highest step it reaches; of two alike, the one that began later. */
const stepFor = (offers: readonly PriceOffer[], quantity: Decimal): PriceOffer | undefined =>
  offers
    .filter((o) => o.fromQuantity.lte(quantity))
    .sort((a, b) => b.fromQuantity.cmp(a.fromQuantity) || ((a.validFrom ?? '') < (b.validFrom ?? '') ? 1 : -1))[0]

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
  const { list, level, quantity, on } = wish
  const valid = wish.offers.filter((o) => holds(o, on))
  const own = level
    ? stepFor(
        valid.filter((o) => o.levelId === level.id),
        quantity,
      )
    : undefined
  const none = decimal(0)
  if (own && level)
    return {
      price: own.price,
      level: level.name,
      percentOff: none,
      fromQuantity: own.fromQuantity,
      validUntil: own.validUntil,
    }
  const step = stepFor(
    valid.filter((o) => o.levelId === null),
    quantity,
  )
  const base = step?.price ?? list
  const percentOff = level?.percentOff ?? none
  return {
    price: base
      .times(HUNDRED.minus(percentOff))
      .div(HUNDRED)
      .toDecimalPlaces(Math.max(wish.digits, base.decimalPlaces())),
    level: level && percentOff.gt(0) ? level.name : null,
    percentOff,
    fromQuantity: step?.fromQuantity ?? none,
    validUntil: step?.validUntil ?? null,
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
