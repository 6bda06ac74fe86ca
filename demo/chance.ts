/** Chance from a fixed seed: the same demo every time. (mulberry32, a public-domain generator of 32 bits.) */
export interface Chance {
  /** From 0 up to 1. */
  next(): number
  /** A whole number from `low` through `high`. */
  between(low: number, high: number): number
  pick<T>(from: readonly T[]): T
  /** True so many times in a hundred. */
  percent(p: number): boolean
}

export const chanceFrom = (seed: number): Chance => {
  let state = seed >>> 0
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    next,
    between: (low, high) => low + Math.floor(next() * (high - low + 1)),
    pick: (from) => from[Math.floor(next() * from.length)]!,
    percent: (p) => next() * 100 < p,
  }
}
