import type { Day } from '../day'
import type { Decimal } from '../money'
import type { Shipped } from './freight'

/** Where a parcel goes: `country` in two letters, one's own where it is left out. */
export interface Destination {
  readonly address: string
  readonly country?: string
}

/** What a service takes for parcels together, and for each of them. */
export interface Quote {
  readonly carrier: string
  readonly service: string
  readonly price: Decimal
  readonly prices: readonly Decimal[]
  readonly days: number
}

export type Booked =
  | { readonly ok: true; readonly tracking: readonly string[] }
  /** Why not, in words for the owner. */
  | { readonly ok: false; readonly why: string }

export type WhereItIs = { readonly state: 'sent' } | { readonly state: 'delivered' | 'lost'; readonly on: Day }

/** A carrier that can be asked: for prices, for labels, and where its parcels are. */
export interface Carrier {
  readonly name: string
  /** The service of parcels for which none is said. */
  readonly usualService: string
  readonly quote: (to: Destination, parcels: readonly Shipped[], home: string) => readonly Quote[]
  readonly book: (to: Destination, count: number) => Promise<Booked>
  readonly track: (
    parcel: { readonly service: string; readonly address: string; readonly sentOn: Day },
    today: Day,
  ) => WhereItIs
}
