import type { Method } from '@/core/ledger'
import { formatMoney, isPositiveMoney, type Money } from '@/core/money'
import { tenderOf, type Tendered } from '@/core/receipt'
import { readTyped } from './filling'

interface Typed {
  readonly method: Method
  /** What was given, as typed; empty where it is exact. */
  readonly tendered: string
  readonly smallestCoin: number
}

/** What was given, where that was said; only cash is given and changed. */
export const givenOf = ({ method, tendered }: Omit<Typed, 'smallestCoin'>): string | undefined =>
  method === 'cash' && tendered !== '' ? tendered : undefined

/** What money over the counter comes to while it is typed. */
export const tenderTyped = (amount: Money, typed: Typed): Tendered => {
  const given = givenOf(typed)
  return tenderOf(amount, {
    cash: typed.method === 'cash',
    smallestCoin: typed.smallestCoin,
    given: given === undefined ? null : readTyped(given, amount.currency),
  })
}

/** The change to give, or what coins make of the amount; nothing where both are exact. */
export const sayTender = ({ change, toPay }: Pick<Tendered, 'change' | 'toPay'>, amount: Money): string | undefined => {
  if (isPositiveMoney(change)) return `change ${formatMoney(change)}`
  return toPay.minor !== amount.minor ? `${formatMoney(toPay)} in coins` : undefined
}
