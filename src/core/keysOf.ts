/**
 * The keys of an object that has no others than those of its type.
 *
 * @example of { a: 1, b: 2 } → a, b
 */
export const keysOf = <K extends string>(of: Readonly<Partial<Record<K, unknown>>>): K[] => Object.keys(of) as K[]
