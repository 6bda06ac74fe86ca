import { ZERO, type Decimal } from '../money'

/** One authority's part of a tax. `rate` is a fraction: 0.0825 for 8.25 %. */
export interface TaxComponent {
  readonly id: number
  readonly name: string
  readonly rate: Decimal
}

/**
 * How goods are taxed. `zero` and `exempt` both charge nothing but are reported apart: zero-rated trade is taxable at 0 %,
 * exempt trade is not taxable.
 */
export interface TaxCode {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: 'taxed' | 'zero' | 'exempt'
  readonly components: readonly TaxComponent[]
}

/** The rates of all components together, as a fraction. */
export const wholeRate = (code: TaxCode): Decimal =>
  code.components.reduce((sum, c) => sum.plus(c.rate), ZERO)
