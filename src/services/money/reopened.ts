import type { Money } from '@/core/money'

/** What comes off a due again: money, and the discount that was taken with it. */
export interface Reopened {
  readonly dueId: number
  readonly saleId: number
  readonly money: Money
  readonly discount: Money
}
