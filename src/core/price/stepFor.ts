import type { Day } from '../day'
import type { Decimal } from '../money'

/** Something that is so from a quantity on, while it is valid. */
export interface Step {
  readonly fromQuantity: Decimal
  /** Both inclusive; null is open. */
  readonly validFrom: Day | null
  readonly validUntil: Day | null
}

/**
 * The step that serves a quantity on a day: the highest one it reaches; of two alike, the one that began later. Undefined where
 * none is valid or reached.
 *
 * @example from 1, from 10 and from 50; 12 wanted → from 10
 */
export const stepFor = <S extends Step>(
  steps: readonly S[],
  { quantity, on }: { readonly quantity: Decimal; readonly on: Day },
): S | undefined =>
  steps
    .filter(
      (s) =>
        s.fromQuantity.lte(quantity) &&
        (s.validFrom === null || s.validFrom <= on) &&
        (s.validUntil === null || on <= s.validUntil),
    )
    .sort((a, b) => b.fromQuantity.cmp(a.fromQuantity) || ((a.validFrom ?? '') < (b.validFrom ?? '') ? 1 : -1))[0]
