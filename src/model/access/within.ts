class TooSlow extends Error {}

/** In so many pieces the time is waited for. */
const SLICES = 8

/**
 * What comes of some work, in milliseconds at most; fails where it takes longer. They are counted piece by piece: a machine that stands
 * still meanwhile, asleep or lent to others, costs one piece, since what waited for the work had no time to hear of it.
 */
export const within = <T>(milliseconds: number, work: Promise<T>): Promise<T> => {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_, fail) => {
    let left = SLICES
    timer = setInterval(() => --left > 0 || fail(new TooSlow()), milliseconds / SLICES)
  })
  return Promise.race([work, late]).finally(() => clearInterval(timer))
}
