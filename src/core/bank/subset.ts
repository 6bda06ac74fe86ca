/** How many sums a search tries before it gives up: a line is never waited for long. */
const MOST_TRIES = 20_000

/**
 * The fewest of some amounts (at least two, at most `most`) that add up to a sum exactly, by their places in the list; of equally
 * few those that come first. Null where none do, or none was found in the tries there are. All amounts and the sum are positive.
 *
 * @example of 5, 3 and 2 the first two make 8 → places 0 and 1
 */
export const subsetOf = (
  amounts: readonly bigint[],
  sum: bigint,
  most: number,
  tries = MOST_TRIES,
): readonly number[] | null => {
  const order = amounts.map((_, i) => i).filter((i) => (amounts[i] ?? 0n) > 0n && (amounts[i] ?? 0n) <= sum)
  const value = order.map((i) => amounts[i] ?? 0n)
  // The largest amounts from each place on, as many as are added at most: the bound of a branch.
  const largest: (readonly bigint[])[] = []
  for (let from = value.length - 1; from >= 0; from--)
    largest[from] = [value[from] ?? 0n, ...(largest[from + 1] ?? [])]
      .toSorted((a, b) => (a > b ? -1 : a < b ? 1 : 0))
      .slice(0, most)
  let left = tries
  const search = (from: number, rest: bigint, count: number): readonly number[] | null => {
    if (count === 0) return rest === 0n ? [] : null
    for (let i = from; i <= order.length - count; i++) {
      if (left-- <= 0) return null
      const atMost = (largest[i] ?? []).slice(0, count).reduce((a, b) => a + b, 0n)
      if (atMost < rest) return null
      const one = value[i] ?? 0n
      if (one > rest) continue
      const found = search(i + 1, rest - one, count - 1)
      if (found) return [order[i] ?? 0, ...found]
    }
    return null
  }
  for (let count = 2; count <= Math.min(most, order.length); count++) {
    const found = search(0, sum, count)
    if (found) return found
  }
  return null
}
