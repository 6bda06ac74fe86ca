import { present } from '@/core/present'
import { addMoney, decimal, zeroMoney, type Decimal, type Money } from '../money'
import { daysBetween, type Day } from '../day'
import { rowsBy } from '../rowsBy'

/** An estimate that was sent, and what became of it. */
export interface OfferFate {
  readonly group: string
  readonly sentOn: Day
  readonly agreedOn: Day | null
  readonly lost: boolean
  readonly total: Money
}

export interface OfferTally {
  readonly group: string
  readonly sent: number
  readonly agreed: number
  readonly lost: number
  readonly open: number
  readonly sentAmount: Money
  readonly agreedAmount: Money
  /** Agreed of those decided, in percent to one place; null while none is decided. */
  readonly rate: Decimal | null
  /** Days from sending to yes, averaged to one place; null while nobody said yes. */
  readonly days: Decimal | null
}

export type Fate = 'agreed' | 'lost' | 'open'

/** What became of an estimate: agreed though it was lost once is agreed. */
export const fateOf = ({ agreedOn, lost }: Pick<OfferFate, 'agreedOn' | 'lost'>): Fate =>
  agreedOn !== null ? 'agreed' : lost ? 'lost' : 'open'

/** Counts estimates by group, in the order the groups first appear: how many became orders, and how long that took. */
export const tallyOffers = (offers: readonly OfferFate[], currency: string): OfferTally[] => {
  return [...rowsBy(offers, (o) => o.group)].map(([group, of]) => {
    const agreed = of.filter((o) => fateOf(o) === 'agreed')
    const lost = of.filter((o) => fateOf(o) === 'lost')
    const decided = agreed.length + lost.length
    const sum = (list: readonly OfferFate[]) => list.map((o) => o.total).reduce(addMoney, zeroMoney(currency))
    const waited = agreed.reduce((days, o) => days + Math.max(0, daysBetween(o.sentOn, present(o.agreedOn))), 0)
    return {
      group,
      sent: of.length,
      agreed: agreed.length,
      lost: lost.length,
      open: of.length - decided,
      sentAmount: sum(of),
      agreedAmount: sum(agreed),
      rate: decided === 0 ? null : decimal(agreed.length).times(100).div(decided).round(1),
      days: agreed.length === 0 ? null : decimal(waited).div(agreed.length).round(1),
    }
  })
}
