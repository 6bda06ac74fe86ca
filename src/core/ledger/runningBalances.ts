import { addMoney, type Money } from '../money'

/**
 * The balance after each amount, beginning from `opening`. Debits are positive.
 *
 * @example runningBalances(usd('5.00'), [usd('2.00'), usd('-1.00')]) // 7.00, 6.00
 */
export const runningBalances = (opening: Money, amounts: readonly Money[]): Money[] => {
  let balance = opening
  return amounts.map((amount) => (balance = addMoney(balance, amount)))
}
