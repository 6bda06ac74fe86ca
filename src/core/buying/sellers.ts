import type { Day } from '../day'
import type { Decimal } from '../money'
import { stepFor, type Step } from '../price'

/** What one costs from a quantity on. */
export interface CostStep extends Step {
  readonly unitCost: Decimal
}

/** Somebody who sells a thing to us. */
export interface Seller {
  readonly preferred: boolean
  /** They sell it by so many; zero where that is not said. */
  readonly packSize: Decimal
  /** What one costs where no step is reached; null where that is not known. */
  readonly unitCost: Decimal | null
  readonly steps: readonly CostStep[]
}

interface Wish {
  readonly quantity: Decimal
  readonly on: Day
}

/**
 * What one costs from a seller, so many wanted on a day: their step for that quantity, else their plain cost; null where neither
 * is known. To four places.
 *
 * @example 6.00, from 24 on 5.40; 30 wanted → 5.40
 */
export const costFrom = (seller: Seller, wish: Wish): Decimal | null =>
  stepFor(seller.steps, wish)?.unitCost ?? seller.unitCost

/**
 * The fewest whole packs that hold so many.
 *
 * @example 7 in packs of 6 → 12
 */
export const inPacks = (quantity: Decimal, packSize: Decimal): Decimal => {
  if (packSize.lte(0)) return quantity
  // Not divided: forty places of a quotient are reckoned to be thrown away.
  const begun = quantity.mod(packSize)
  const whole = quantity.minus(begun)
  return begun.gt(0) ? whole.plus(packSize) : whole
}

/** Why a seller was chosen. */
export type SellerReason = 'preferred' | 'cheapest' | 'only'

interface Chosen<S> {
  readonly seller: S
  readonly why: SellerReason
  /** In their whole packs. */
  readonly quantity: Decimal
}

/**
 * From whom so many are bought: the preferred one; where nobody is, the one whose whole packs cost least together, those whose
 * cost is not known last; of two alike the earlier. Undefined where nobody sells it.
 *
 * @example 7 wanted: A sells packs of 6 at 6.00 (12 → 72.00), B single ones at 7.00 (7 → 49.00) → B, cheapest
 */
export const chooseSeller = <S extends Seller>(
  sellers: readonly S[],
  { quantity, on }: Wish,
): Chosen<S> | undefined => {
  const preferred = sellers.find((s) => s.preferred)
  if (preferred)
    return {
      seller: preferred,
      why: sellers.length > 1 ? 'preferred' : 'only',
      quantity: inPacks(quantity, preferred.packSize),
    }
  const [first, ...others] = sellers.map((seller) => {
    const packed = inPacks(quantity, seller.packSize)
    return { seller, quantity: packed, total: costFrom(seller, { quantity: packed, on })?.times(packed) }
  })
  if (!first) return undefined
  const best = others.reduce((a, b) => (b.total && (!a.total || b.total.lt(a.total)) ? b : a), first)
  return { seller: best.seller, why: others.length > 0 && best.total ? 'cheapest' : 'only', quantity: best.quantity }
}
