import type { Money, Decimal } from '../money'
import type { Day } from '../day'
import type { LineTally } from './lineState'
import type { SaleStanding } from './standsAs'
import type { LayawayStanding } from '../plan'

export type NextAction =
  | 'write-again'
  | 'remind'
  | 'promise-broken'
  | 'charge-late'
  | 'card-refused'
  | 'give-back'
  | 'collect'
  | 'ask-deposit'
  | 'hand-over'
  | 'bill'
  | 'buy'
  | 'ask-again'
  | 'renew'
  | 'offer'
  | 'confirm-order'

export interface NextStep {
  readonly action: NextAction
  readonly why: string
  readonly amount: Money | null
  readonly quantity: Decimal | null
  /** Since when, or until when, it waits: sorts equals, earliest first. */
  readonly since: Day
}

export interface NextLine extends LineTally {
  readonly name: string
  /** Stock or a kit of stock: can be short. */
  readonly fromShelf: boolean
  /** Set aside for this line: what could be handed over now. */
  readonly setAside: Decimal
  readonly onTheWay: Decimal
}

export interface SaleOutlook extends Omit<SaleStanding, 'lines'> {
  readonly startedOn: Day
  /** Ordered on the shopfront: it waits for the owner's yes, nobody is asked again. */
  readonly ordered: boolean
  readonly sentOn: Day | null
  /** Its estimate was changed since it was sent: its customer cannot answer it until it is sent anew. */
  readonly reworked: boolean
  readonly wantedBy: Day | null
  readonly total: Money
  readonly readyToBillAmount: Money
  readonly lastHandoverOn: Day | null
  readonly lines: readonly NextLine[]
  readonly dues: readonly { readonly label: string; readonly dueOn: Day; readonly open: Money }[]
  /** What was asked ahead, tax included, and since when; null when nothing was arranged. */
  readonly depositAsked: { readonly amount: Money; readonly since: Day } | null
  /** All that ever came in ahead for this sale, less what was given back. */
  readonly depositReceived: Money
  /** A repeat wrote it down, and it waits for a look. */
  readonly cameAgain: boolean
  /** What drafts of invoices come to; null where there are none. */
  readonly draftBills: Money | null
  /** A letter about it that came back, and why. */
  readonly cameBack: { readonly on: Day; readonly why: string } | null
  /** Where its layaway stands; null where it is none. */
  readonly layaway: LayawayStanding | null
  /** What the customer promised, and what has come since. */
  readonly promise: { readonly by: Day; readonly amount: Money; readonly came: Money } | null
  /** What may be charged for being late, and was not. */
  readonly lateCharge: Money | null
  /** A card kept for its plan that refused, and why. */
  readonly cardRefused: { readonly on: Day; readonly why: string; readonly amount: Money } | null
}

/**
 * A count, with as many places as it has.
 *
 * @example units(decimal('1.50')): 1.5
 */
export const units = (n: Decimal): string => n.toString()

/**
 * A number of days with its word.
 *
 * @example dayCount(1): 1 day
 * @example dayCount(12): 12 days
 */
export const dayCount = (n: number): string => (n === 1 ? '1 day' : `${n} days`)
