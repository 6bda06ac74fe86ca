import { addMoney, type Money } from '../money'

/** The balance after each amount, beginning from `opening`. Debits are positive. */
export const runningBalances = (opening: Money, amounts: readonly Money[]): Money[] =>
  amounts.reduce<Money[]>((balances, amount) => [...balances, addMoney(balances.at(-1) ?? opening, amount)], [])
