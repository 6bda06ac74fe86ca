/** An address of a customer, as far as it decides which tax holds. */
export interface AreaAddress {
  readonly kind: string
  readonly text: string
  readonly isDefault: boolean
  /** The tax area it lies in; empty where none is said. */
  readonly taxArea: string
}

/** An address however its lines are broken: with commas, as a field of one line holds it, or without. */
const inOneLine = (address: string): string =>
  address
    .replace(/[\s,]+/g, ' ')
    .trim()
    .toLowerCase()

/**
 * The tax area of where something is delivered: of the address of that text, else of the customer's usual delivery
 * address, else of their first one. How lines are broken, and capitals, make no other address. Empty where that lies in
 * none: then the tax is the thing's own.
 *
 * @example to '2 Far Road', which lies in OUT → 'OUT'
 * @example to an address nobody wrote down, with the usual one in OUT → 'OUT'
 */
export const taxAreaAt = (addresses: readonly AreaAddress[], deliverTo: string): string => {
  const theirs = addresses.filter((a) => a.kind === 'deliver-to')
  const usual = theirs.find((a) => a.isDefault) ?? theirs[0]
  const wanted = inOneLine(deliverTo)
  return (theirs.find((a) => inOneLine(a.text) === wanted) ?? usual)?.taxArea ?? ''
}
