import { isPositiveMoney, type Money } from '../money'
import type { Day } from '../day'
import { lineState, type LineTally } from './lineState'

export const STANDS = ['draft', 'offered', 'lapsed', 'agreed', 'owing', 'settled', 'declined', 'cancelled'] as const
export type Stands = (typeof STANDS)[number]

/** What decides where a sale stands. */
export interface SaleStanding {
  readonly closedAs: 'declined' | 'cancelled' | null
  readonly agreedOn: Day | null
  /** The last day of the estimate that is out, if one is. */
  readonly validUntil: Day | null
  readonly lines: readonly LineTally[]
  readonly open: Money
  readonly held: Money
}

/**
 * Where a sale stands, derived from what happened and never set by hand. An estimate is good on its last day and lapsed
 * the day after. A sale whose goods and bills are done is owing while money is due in either direction: open dues, or
 * held money to give back.
 */
export const standsAs = (sale: SaleStanding, today: Day): Stands => {
  if (sale.closedAs) return sale.closedAs
  if (sale.agreedOn) {
    const states = sale.lines.map(lineState)
    if (states.some((s) => s.toHandOver.gt(0) || s.toBill.gt(0))) return 'agreed'
    return isPositiveMoney(sale.open) || isPositiveMoney(sale.held) ? 'owing' : 'settled'
  }
  if (sale.validUntil) return today <= sale.validUntil ? 'offered' : 'lapsed'
  return 'draft'
}
