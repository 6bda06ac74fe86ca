import {
  negateMoney,
  roundToMoney,
  smaller,
  smallerMoney,
  subtractMoney,
  toDecimal,
  zeroMoney,
  ZERO,
  type Decimal,
  type Money,
} from '../money'
import { addMoney } from '../money'
import { shareOfWorth } from './difference'

/** How many of a line that came are what, and what they came in at. Quantities and amounts are never below zero. */
export interface CameTally {
  readonly quantity: Decimal
  readonly value: Money
  readonly billed: Decimal
  readonly billedValue: Money
  /** Sent back to the supplier; of these, so many are credited. */
  readonly returned: Decimal
  readonly returnedValue: Money
  readonly credited: Decimal
  readonly creditedValue: Money
}

/** So many of a line, and what they came in at. */
export interface Units {
  readonly quantity: Decimal
  readonly value: Money
}

/**
 * What of a line that came is not billed yet. Below zero so many were billed and went back, and are not credited yet. Over all
 * lines the values are the balance of “goods received, not invoiced”.
 *
 * @example 5 came, 5 billed, 2 went back, 1 of them credited → −1
 */
export const openOfLine = (l: CameTally): Units => ({
  quantity: l.quantity.minus(l.billed).minus(l.returned).plus(l.credited),
  value: addMoney(subtractMoney(subtractMoney(l.value, l.billedValue), l.returnedValue), l.creditedValue),
})

/** Worth of so many that are billed or go back: what is open first, to its last cent; beyond it their share of all that came. */
const worthOf = (l: CameTally, quantity: Decimal, most: Money): Money => {
  const open = openOfLine(l)
  const within = smaller(quantity, open.quantity)
  const share = within.gt(0) ? shareOfWorth(open, within) : zeroMoney(l.value.currency)
  const beyond = within.gt(0) ? quantity.minus(within) : quantity
  const rest = beyond.eq(0)
    ? share
    : addMoney(share, roundToMoney(toDecimal(l.value).times(beyond).div(l.quantity), l.value.currency))
  return smallerMoney(rest, most)
}

/**
 * What so many units of a line that are billed came in at: the last of them take all of the rest. Null where that many were not
 * left to be billed. A supplier may bill what went back as well; it waits for their credit then.
 */
export const takeBilled = (l: CameTally, quantity: Decimal): Money | null =>
  quantity.lte(0) || quantity.gt(l.quantity.minus(l.billed))
    ? null
    : worthOf(l, quantity, subtractMoney(l.value, l.billedValue))

/** What so many units that go back came in at; null where that many are not left to go. */
export const takeReturned = (l: CameTally, quantity: Decimal): Money | null =>
  quantity.lte(0) || quantity.gt(l.quantity.minus(l.returned))
    ? null
    : worthOf(l, quantity, subtractMoney(l.value, l.returnedValue))

/** What so many units that went back came in at, as they are credited; null where that many do not wait for it. */
export const takeCredited = (l: CameTally, quantity: Decimal): Money | null => {
  const open = openOfLine(l)
  const waits = { quantity: open.quantity.neg(), value: negateMoney(open.value) }
  return quantity.lte(0) || quantity.gt(waits.quantity) ? null : shareOfWorth(waits, quantity)
}

/** How many are still to be billed, and how many wait for a credit. */
export const leftOfLine = (l: CameTally): { readonly toBill: Decimal; readonly toCredit: Decimal } => {
  const { quantity } = openOfLine(l)
  return { toBill: quantity.gt(0) ? quantity : ZERO, toCredit: quantity.lt(0) ? quantity.neg() : ZERO }
}
