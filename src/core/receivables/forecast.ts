import { present } from '@/core/present'
import { daysBetween, addDays, weekStart, type Day } from '../day'

/**
 * Expected money by week, simulated: each open due is moved by a lateness drawn from that customer's own past (the
 * business's, where there are fewer than MIN_SAMPLES). What is late already can only take one of the latenesses longer
 * than it has waited; when it has outlasted all of them, it waits as long again as one of the longest took.
 *
 * Amounts are minor units as bigint; sums and quantiles never leave integers. The draws come from a generator with a
 * fixed seed, so the same dues give the same picture.
 */
export const MIN_SAMPLES = 3

/** Money is expected over so many weeks from today. */
export const EXPECTED_WEEKS = 12

export interface ForecastDue {
  readonly customerId: number
  readonly dueOn: Day
  readonly open: bigint
}

export interface ForecastInput {
  readonly today: Day
  readonly weeks: number
  readonly runs: number
  readonly seed: number
  readonly dues: readonly ForecastDue[]
  /** Days late (negative: early) of dues paid before, by customer; of those who owe, nobody else's matters. */
  readonly lateness: Readonly<Record<number, readonly number[]>>
  /** The same of all customers: so many days, so many dues. */
  readonly everybody: readonly (readonly [days: number, dues: number])[]
  /** Days more that a customer is thought to take: what if they paid late? */
  readonly later?: Readonly<Record<number, number>>
}

/** What a forecast is made of, as plain values that can be handed to a page or a worker. Open amounts in minor units, as text. */
export interface ForecastFacts {
  readonly today: Day
  readonly dues: readonly { readonly customerId: number; readonly dueOn: Day; readonly open: string }[]
  readonly lateness: ForecastInput['lateness']
  readonly everybody: ForecastInput['everybody']
}

/** The input of a forecast, with the one seed that every forecast of the program is drawn with. */
export const forecastInput = (
  facts: ForecastFacts,
  wish: Pick<ForecastInput, 'weeks' | 'runs' | 'later'>,
): ForecastInput => ({
  today: facts.today,
  seed: 20_260_101,
  dues: facts.dues.map((d) => ({ ...d, open: BigInt(d.open) })),
  lateness: facts.lateness,
  everybody: facts.everybody,
  ...wish,
})

export interface ForecastWeek {
  readonly week: Day
  readonly low: bigint
  readonly median: bigint
  readonly high: bigint
}

/** A small generator of whole numbers below 2³², the same for the same seed. */
export const seeded = (seed: number): (() => number) => {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return (t ^ (t >>> 14)) >>> 0
  }
}

/**
 * The value that `percent` of the sorted values do not pass: nearest rank, 0 → the smallest, 100 → the largest.
 *
 * @example quantile([1n, 2n, 3n, 4n, 5n], 50) // 3
 */
export const quantile = (sorted: readonly bigint[], percent: number): bigint =>
  sorted.length === 0 ? 0n : present(sorted[Math.max(0, Math.ceil((percent * sorted.length) / 100) - 1)])

const candidates = (input: ForecastInput, everybody: readonly number[], due: ForecastDue): readonly number[] => {
  const own = input.lateness[due.customerId] ?? []
  const samples = own.length >= MIN_SAMPLES ? own : everybody
  const waited = daysBetween(due.dueOn, input.today)
  if (samples.length === 0) return [Math.max(waited, 0)]
  const possible = samples.filter((days) => days >= waited)
  if (possible.length > 0) return possible
  const longest = [...samples].sort((a, b) => b - a).slice(0, MIN_SAMPLES)
  return longest.map((days) => waited + Math.max(days, 0))
}

/** Simulates `runs` futures. `progress` is told after each part of them, and ends the work by answering false. */
export const forecast = (
  input: ForecastInput,
  progress: (done: number) => boolean = () => true,
): readonly ForecastWeek[] | null => {
  const everybody = input.everybody.flatMap(([days, dues]) => Array.from({ length: dues }, () => days))
  const draw = seeded(input.seed)
  const first = weekStart(input.today)
  const dues = input.dues.map((due) => ({
    due,
    from: daysBetween(first, due.dueOn) + (input.later?.[due.customerId] ?? 0),
    possible: candidates(input, everybody, due),
  }))
  const sums = Array.from({ length: input.weeks }, () => new BigInt64Array(input.runs))
  const nowAt = daysBetween(first, input.today)
  for (let run = 0; run < input.runs; run++) {
    if (run % 50 === 0 && !progress(run / input.runs)) return null
    for (const { due, from, possible } of dues) {
      const days = Math.max(from + present(possible[draw() % possible.length]), nowAt)
      const week = Math.floor(days / 7)
      const inWeek = sums[week]
      if (inWeek) inWeek[run] = present(inWeek[run]) + due.open
    }
  }
  return sums.map((runs, i) => {
    const sorted = [...runs.sort()]
    return {
      week: addDays(first, i * 7),
      low: quantile(sorted, 10),
      median: quantile(sorted, 50),
      high: quantile(sorted, 90),
    }
  })
}

/** How good a forecast was: how many weeks came in inside the band, and how far the medians were from what came. */
export const backTest = (
  weeks: readonly ForecastWeek[],
  came: readonly bigint[],
): { readonly inside: number; readonly weeks: number; readonly expected: bigint; readonly came: bigint } => ({
  inside: weeks.filter((w, i) => present(came[i]) >= w.low && present(came[i]) <= w.high).length,
  weeks: weeks.length,
  expected: weeks.reduce((sum, w) => sum + w.median, 0n),
  came: came.reduce((sum, c) => sum + c, 0n),
})
