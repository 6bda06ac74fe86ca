import { isPositiveMoney, multiplyMoney, subtractMoney, toDecimal, zeroMoney, type Money } from '../money'
import type { Day } from '../day'

/** What of a due tells what comes off it for being paid in time. */
export interface DiscountedDue {
  readonly amount: Money
  /** Taken off by credit notes, whenever they are dated. */
  readonly credited: Money
  /** As it was agreed, on the whole amount. */
  readonly discount: Money
}

/**
 * The discount as far as what it was given on still stands: it shrinks with every credit, in proportion, rounded once.
 *
 * @example 32.40 on 1,080.00, of which 972.00 was credited: 3.24
 */
export const discountLeft = (due: DiscountedDue): Money =>
  isPositiveMoney(due.discount) && isPositiveMoney(due.credited)
    ? multiplyMoney(due.discount, toDecimal(subtractMoney(due.amount, due.credited)).div(toDecimal(due.amount)))
    : due.discount

/** What comes off a due for paying all the rest on a day: nothing after the day it runs to, and never all that is open. */
export const discountOn = (
  due: DiscountedDue & { readonly open: Money; readonly discountUntil: Day | null },
  on: Day,
): Money | undefined => {
  const left = discountLeft(due)
  return due.discountUntil !== null && on <= due.discountUntil && isPositiveMoney(left) && due.open.minor > left.minor
    ? left
    : undefined
}

/**
 * How a due is named to the owner and the customer: its bill and which part of it, or the charge that it is.
 *
 * @example nameOfDue({ number: '2026-0012', label: '' }) // Invoice 2026-0012
 */
export const nameOfDue = (d: { readonly number: string; readonly label: string }): string =>
  d.number === '' ? d.label : `Invoice ${d.number}${d.label ? `, ${d.label}` : ''}`

/** The same within a sentence: `200.00 on invoice 2026-0001`. */
export const dueInSentence = (d: Parameters<typeof nameOfDue>[0]): string =>
  nameOfDue(d).replace(/^Invoice /, 'invoice ')

/**
 * What of a discount is given back when a part of what was paid with it is; all of it with all.
 *
 * @example discountWith(usd('2.00'), usd('49.00'), usd('98.00')) // 1.00
 */
export const discountWith = (discount: Money, part: Money, whole: Money): Money =>
  part.minor >= whole.minor
    ? discount
    : isPositiveMoney(discount)
      ? multiplyMoney(discount, toDecimal(part).div(toDecimal(whole)))
      : zeroMoney(discount.currency)
