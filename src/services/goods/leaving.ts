import type { Day } from '@/core/day'
import type { Decimal } from '@/core/money'
import type { KitState } from '@/core/stock'
import type { Goods } from '@/data/queries/goods'

/** Which of them leave: from a place, of a lot, or just these serials. What is left out is proposed. */
export interface Named {
  readonly placeId?: number
  readonly lot?: string
  readonly serials?: readonly string[]
  /** One lot, serial or layer by its id. */
  readonly batchId?: number
  readonly quantity: Decimal
}

export interface Leaving {
  /** Whoever asks: the answer's costs stand in the same order. */
  readonly goods: Goods
  readonly quantity: Decimal
  /** Adds up to the quantity. */
  readonly from?: readonly Named[]
  readonly saleLineId?: number
  /** Kits that go assembled as far as they lie so, and as their parts for the rest; left out, a kit goes as it lies. */
  readonly kit?: KitState
}

/** When they leave, and to whom. */
export interface Plan {
  readonly on: Day
  /** The goods of kits' parts. */
  readonly partsOf?: ReadonlyMap<number, Goods>
  /** To a customer: lots that are past stay. */
  readonly toCustomer?: boolean
  /** Counted on a past day: what is missing now went since. */
  readonly counted?: boolean
}
