import type { Day } from '../day'
import type { TREATMENTS } from '../kinds'
import { ZERO, type Decimal } from '../money'

export type Treatment = (typeof TREATMENTS)[number]

/** One authority's part of a tax. `rate` is a fraction: 0.0825 for 8.25 %. */
export interface TaxComponent {
  readonly id: number
  readonly name: string
  readonly rate: Decimal
}

/**
 * How goods are taxed. All but `taxed` charge nothing and are reported apart: zero-rated trade is taxable at 0 %, exempt trade is not
 * taxable, under reverse charge who buys owes the tax, and what is out of scope is no trade that this tax knows.
 */
export interface TaxCode {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
  /** Why nothing is charged, as documents say it; empty where the code's name says enough. */
  readonly reason?: string
  readonly components: readonly TaxComponent[]
}

/** The rates of all components together, as a fraction. */
export const wholeRate = (code: TaxCode): Decimal => code.components.reduce((sum, c) => sum.plus(c.rate), ZERO)

/**
 * A tax code at the rates of a time. Rates that change are another row of the same code: `rateOf` names the first row,
 * `from` the first day of its rates. The first row itself has neither and holds until the next one begins.
 */
export interface DatedTaxCode extends TaxCode {
  readonly rateOf: number | null
  readonly from: Day | null
}

/**
 * The row of a code whose rates hold on a day: of all rows of the code, the one that began last. `id` is any row's.
 * A paper takes the rates of its own day.
 *
 * @throws RangeError where no row has that id.
 * @example row 1 at 8 %, row 5 (of 1) at 9 % from 2026-07-01: rateOn(codes, 1, '2026-06-30') is row 1, on the next day row 5
 */
export const rateOn = <C extends DatedTaxCode>(codes: readonly C[], id: number, on: Day): C => {
  const named = codes.find((c) => c.id === id)
  if (!named) throw new RangeError(`there is no tax code ${id}`)
  const first = named.rateOf ?? named.id
  const rows = codes.filter((c) => c.id === first || (c.rateOf === first && c.from !== null && c.from <= on))
  return rows.reduce((latest, c) => ((c.from ?? '') >= (latest.from ?? '') ? c : latest))
}

/** Each code once, in the order in which they were made, at the rates of a day. */
export const codesOn = <C extends DatedTaxCode>(codes: readonly C[], on: Day): C[] =>
  codes.filter((c) => c.rateOf === null).map((c) => rateOn(codes, c.id, on))
