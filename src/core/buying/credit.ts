import type { Day } from '../day'
import { addMoney, roundToMoney, splitMoney, subtractMoney, toDecimal, zeroMoney, type Money } from '../money'

/** What of a line of a bill is not credited yet, never below zero. */
export interface CreditLeft {
  readonly net: Money
  readonly tax: Money
}

/**
 * An amount, tax included, that a supplier lets off a bill: spread over its lines by what is left of each, with the tax in it, so
 * that all that is left takes all of the tax. At most what is left altogether.
 *
 * @example 11.60 off a line of 20.00 and 3.20 tax → 10.00 and 1.60
 */
export const spreadCredit = (amount: Money, lines: readonly CreditLeft[]): readonly CreditLeft[] => {
  const left = lines.map((l) => addMoney(l.net, l.tax))
  if (left.every((x) => x.minor === 0n)) return lines
  const shares = splitMoney(
    amount,
    left.map((x) => toDecimal(x)),
  )
  return lines.map((l, i) => {
    const share = shares[i] ?? amount
    const whole = left[i] ?? share
    if (share.minor === whole.minor) return l
    const tax = roundToMoney(toDecimal(l.tax).times(toDecimal(share)).div(toDecimal(whole)), amount.currency)
    return { net: subtractMoney(share, tax), tax }
  })
}

/**
 * What paying early still saves on a bill of which part was credited: its share of what is left.
 *
 * @example 2.00 off a bill of 100.00 of which 25.00 was credited → 1.50
 */
export const discountLeft = (discount: Money, gross: Money, credited: Money): Money =>
  gross.minor === 0n
    ? discount
    : roundToMoney(
        toDecimal(discount)
          .times(toDecimal(subtractMoney(gross, credited)))
          .div(toDecimal(gross)),
        discount.currency,
      )

/** A bill with what is let off for paying it early. */
export interface EarlyBill {
  readonly gross: Money
  readonly discount: Money
  /** The last day on which it is let off; null where nothing ever is. */
  readonly discountOn: Day | null
  readonly credited: Money
}

/**
 * What is let off a bill for paying all the rest of it on a day: nothing after the last day for it, and nothing once it was let
 * off. A discount that went with a payment that is void since was not let off.
 *
 * @param fills What was taken off the bill, whatever its kind.
 * @example 2.00 off 100.00 by 11 March: on 11 March 2.00, on 12 March 0.00
 */
export const letOffOn = (
  { gross, discount, discountOn, credited }: EarlyBill,
  fills: readonly EarlyFill[],
  on: Day,
): Money =>
  discountOn === null || on > discountOn || standingDiscounts(fills).length > 0
    ? zeroMoney(gross.currency)
    : discountLeft(discount, gross, credited)

interface EarlyFill {
  readonly kind: string
  readonly paymentId: number | null
}

/** Discounts among what was taken off a bill that stand: not those of a payment that is void since. */
export const standingDiscounts = <F extends EarlyFill>(fills: readonly F[]): readonly F[] => {
  const voided = new Set(fills.filter((f) => f.kind === 'void').map((f) => f.paymentId))
  return fills.filter((f) => f.kind === 'discount' && !voided.has(f.paymentId))
}
