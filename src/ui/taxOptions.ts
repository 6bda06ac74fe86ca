/** A tax code as it is chosen. */
export interface TaxChoice {
  readonly code: string
  readonly name: string
}

/** Tax codes to choose from, after the choice of none. */
export const taxOptions = (codes: readonly TaxChoice[], none = 'No tax') => [
  { value: '', name: none },
  ...codes.map((c) => ({ value: c.code, name: c.name })),
]
