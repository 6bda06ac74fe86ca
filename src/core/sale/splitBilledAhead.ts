import { larger, roundToMoney, smaller, toDecimal, ZERO, zeroMoney, type Decimal, type Money } from '../money'

/**
 * The part of a bill for stock goods that were not handed over yet, in money: it waits as a liability.
 * `handedOver` and `billedBefore` are the line's sums before this bill (returns for good taken off both).
 */
export const aheadOfHandover = (bill: {
  readonly net: Money
  readonly quantity: Decimal
  readonly handedOver: Decimal
  readonly billedBefore: Decimal
}): Money => {
  const covered = larger(bill.handedOver.minus(bill.billedBefore), ZERO)
  const ahead = larger(bill.quantity.minus(covered), ZERO)
  if (ahead.eq(0) || bill.quantity.eq(0)) return zeroMoney(bill.net.currency)
  if (ahead.eq(bill.quantity)) return bill.net
  return roundToMoney(toDecimal(bill.net).times(ahead).div(bill.quantity), bill.net.currency)
}

/**
 * What becomes income when `quantity` more is handed over: its share of what still waits billed ahead, the last units
 * taking all of it.
 */
export const earnedByHandover = (line: {
  readonly waiting: Money
  readonly handedOver: Decimal
  readonly billed: Decimal
  readonly quantity: Decimal
}): Money => {
  const aheadQuantity = larger(line.billed.minus(line.handedOver), ZERO)
  const taken = smaller(line.quantity, aheadQuantity)
  if (taken.eq(0)) return zeroMoney(line.waiting.currency)
  if (taken.eq(aheadQuantity)) return line.waiting
  return roundToMoney(toDecimal(line.waiting).times(taken).div(aheadQuantity), line.waiting.currency)
}
