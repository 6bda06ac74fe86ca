import { compareMoney, subtractMoney, type Money } from '../money'

/**
 * By how much what a customer owes and has agreed to passes the credit limit; null where it does not, or there is none.
 *
 * @example committed 1,200.00, limit 1,000.00: 200.00; committed 1,000.00: null
 */
export const overLimit = (committed: Money, limit: Money | null): Money | null =>
  limit && compareMoney(committed, limit) > 0 ? subtractMoney(committed, limit) : null
