import { present } from '@/core/present'
import {
  decimal,
  largerMoney,
  multiplyMoney,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'
import { lineAmount } from '../tax'

/** A line with everything that comes off it. */
export interface DiscountedLine {
  readonly unitPrice: Decimal
  readonly discountPercent: Decimal
  /** The quantity `discountAmount` was given for. */
  readonly quantity: Decimal
  /** Off the line, for all of `quantity`. */
  readonly discountAmount: Money
  /** The line's share of what is off the whole, for exactly the quantity asked about. */
  readonly wholeLess: Money
}

/** `amount` for the part `of` of a quantity: rounded once, whole when all of it is meant. */
const partFor = (amount: Money, of: Decimal, quantity: Decimal): Money =>
  of.eq(quantity) || quantity.eq(0) ? amount : multiplyMoney(amount, of.div(quantity))

/**
 * What `of` units of a line come to, in the basis of the sale's prices: quantity × price less the percentage, rounded once,
 * less its part of the amount off and its share of what is off the whole. Never below zero.
 *
 * @example 4 × 25.00 less 10 %, 6.00 off the line: 84.00; of them 2: 45.00 − 3.00 = 42.00
 */
export const lineWorth = (line: DiscountedLine, of: Decimal): Money => {
  const { currency } = line.discountAmount
  const before = lineAmount(
    { quantity: of, unitPrice: line.unitPrice, discountPercent: line.discountPercent },
    currency,
  )
  if (of.eq(0)) return before
  const off = sumMoney([partFor(line.discountAmount, of, line.quantity), line.wholeLess], currency)
  return largerMoney(subtractMoney(before, off), zeroMoney(currency))
}

export interface WholeDiscount {
  readonly percent: Decimal
  readonly amount: Money
}

/**
 * Shares what is off the whole over the lines, by what each comes to; the shares add up to the discount again, the
 * leftover cent to the earlier line. The percentage is taken first, the amount after it, together never more than the
 * lines come to. A line that was billed keeps the share it had (`fixed`); the others share what is left.
 *
 * @example lines 100.00 and 50.00, 10.00 off the whole: 6.67 and 3.33
 */
export const shareWholeDiscount = (
  lines: readonly { readonly worth: Money; readonly fixed: Money | null }[],
  whole: WholeDiscount,
): Money[] => {
  const { currency } = whole.amount
  const none = zeroMoney(currency)
  const sum = sumMoney(
    lines.map((l) => l.worth),
    currency,
  )
  const asked = sumMoney([multiplyMoney(sum, whole.percent.div(100)), whole.amount], currency)
  const kept = sumMoney(
    lines.map((l) => l.fixed ?? none),
    currency,
  )
  const free = sumMoney(
    lines.filter((l) => !l.fixed).map((l) => l.worth),
    currency,
  )
  const left = smallerMoney(largerMoney(subtractMoney(asked, kept), none), free)
  if (left.minor === 0n) return lines.map((l) => l.fixed ?? none)
  const shares = splitMoney(
    left,
    lines.map((l) => (l.fixed ? decimal(0) : toDecimal(l.worth))),
  )
  return lines.map((l, i) => l.fixed ?? present(shares[i]))
}
