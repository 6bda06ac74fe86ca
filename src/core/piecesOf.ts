/**
 * Cuts a list into pieces of at most `most` (above 0), in order; an empty one has none. A piece is cut when it is asked for.
 *
 * @example of 1, 2 and 3, at most 2 → 1, 2; 3
 */
export function* piecesOf<T>(all: readonly T[], most: number): Generator<readonly T[]> {
  for (let from = 0; from < all.length; from += most) yield all.slice(from, from + most)
}
