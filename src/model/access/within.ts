class TooSlow extends Error {}

/** What comes of some work, in milliseconds at most; fails where it takes longer. */
export const within = <T>(milliseconds: number, work: Promise<T>): Promise<T> => {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new TooSlow()), milliseconds)
  })
  return Promise.race([work, late]).finally(() => clearTimeout(timer))
}
