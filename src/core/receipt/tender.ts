import { roundToCoins, subtractMoney, type Money } from '../money'

export interface Tendered {
  /** What is to pay: the amount, in cash as coins make it. */
  readonly toPay: Money
  /** What was given. */
  readonly tendered: Money
  /** What coins made more (or less) of the amount. */
  readonly rounding: Money
  /** What goes back; below zero where too little was given. */
  readonly change: Money
}

/**
 * What money over the counter comes to: cash is rounded to the smallest coin, half away from zero, and what is given beyond
 * it goes back. Nothing given means exactly what is to pay.
 *
 * @example 12.02 in cash with five-cent coins, 20.00 given: 12.00 to pay, 8.00 back, rounding −0.02
 * @example tenderOf(usd('12.02'), { cash: true, smallestCoin: 5, given: usd('20.00') }).change // 8.00
 */
export const tenderOf = (
  amount: Money,
  {
    cash,
    smallestCoin,
    given,
  }: { readonly cash: boolean; readonly smallestCoin: number; readonly given: Money | null },
): Tendered => {
  const toPay = cash ? roundToCoins(amount, smallestCoin) : amount
  const tendered = given ?? toPay
  return { toPay, tendered, rounding: subtractMoney(toPay, amount), change: subtractMoney(tendered, toPay) }
}
