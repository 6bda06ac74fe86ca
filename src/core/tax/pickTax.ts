import type { Treatment } from './taxCode'

/**
 * Which tax code a line has, of those that could be: the exemption of its customer; what was chosen by hand; what its delivery
 * address picks, where its own charges anything at all; its own. See docs/decisions/50.
 *
 * @example own STD, which charges, with ZERO picked by the address → ZERO
 * @example own ZERO, with STD picked by the address → ZERO
 */
export const pickTax = <C extends { readonly treatment: Treatment }>({
  exempt,
  named,
  byArea,
  own,
}: {
  readonly exempt?: C
  readonly named?: C
  readonly byArea?: C
  readonly own: C
}): C => exempt ?? named ?? (own.treatment === 'taxed' ? byArea : undefined) ?? own
