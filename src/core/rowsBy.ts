/**
 * Rows by a name of theirs, in the order in which the names come first.
 *
 * @example of 1, 2 and 3 by whether they are odd → true: 1, 3; false: 2
 */
export const rowsBy = <T, K>(rows: readonly T[], nameOf: (row: T) => K): ReadonlyMap<K, readonly T[]> => {
  const groups = new Map<K, T[]>()
  for (const row of rows) {
    const group = groups.get(nameOf(row))
    if (group) group.push(row)
    else groups.set(nameOf(row), [row])
  }
  return groups
}
