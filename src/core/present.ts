/**
 * What is certainly there, said so: the value itself, never `undefined` or `null`.
 *
 * For a reader who knows more than the compiler: a row that was just written, the part of an expression that matched, the
 * second of two lists of one length. Where it is not there after all, that is a mistake of the programmer, and it is found
 * here and not three files further on.
 *
 * @throws Error where the value is missing.
 * @example
 * const [first] = lines // a sale has at least one
 * present(first).quantity
 */
export const present = <T>(value: T): NonNullable<T> => {
  if (value === undefined || value === null) throw new Error('Something that must be there is missing.')
  return value
}
