import { present } from '@/core/present'
import { addDays, weekStart, type Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import {
  backTest,
  forecast,
  forecastInput,
  type ForecastFacts,
  type ForecastInput,
  type ForecastWeek,
} from '@/core/receivables'
import type { Db } from '@/data/connect'
import type { Where } from '../where'
import { listLateness, listOpenCustomers, listOpenForForecast, sumCameByWeek } from '@/data/queries/forecast'

/** What is open on a day, and how late those who owe it, and everybody, paid before it. */
export const readForecastFacts = async (db: Db, asOf: Day): Promise<ForecastFacts> => {
  const dues = await listOpenForForecast(db, asOf)
  const { own, everybody } = await listLateness(
    db,
    asOf,
    dues.map((d) => d.customerId),
  )
  return { today: asOf, dues, lateness: Object.fromEntries(own), everybody }
}

/** Customers who owe something now, for whom a scenario may be told. */
export const readOpenCustomers = (db: Db) => listOpenCustomers(db, 200)

/** How many futures the program draws. */
export const RUNS = 400

/** What will probably come in a week: the middle of all futures, and the range nine in ten of them lie above and below. */
export interface ExpectedWeek {
  readonly week: Day
  readonly low: Money
  readonly median: Money
  readonly high: Money
}

/** Money expected in each of the next weeks; `later` makes a customer pay so many days later than they do. */
export const readExpected = async (
  { db, today, currency }: Where,
  weeks: number,
  later?: ForecastInput['later'],
): Promise<readonly ExpectedWeek[]> => {
  const facts = await readForecastFacts(db, today)
  return present(forecast(forecastInput(facts, { weeks, runs: RUNS, later }))).map((w) => ({
    week: w.week,
    low: money(w.low, currency),
    median: money(w.median, currency),
    high: money(w.high, currency),
  }))
}

export interface BackTest {
  readonly from: Day
  readonly inside: number
  readonly weeks: number
  readonly expected: bigint
  readonly came: bigint
  readonly detail: readonly (ForecastWeek & { readonly came: bigint })[]
}

/**
 * How good the forecast would have been: made as of several earlier days with what was known then, and held against what
 * came on those same dues in the weeks after. Only whole weeks that are over count; the first, broken one is left out.
 */
export const readBackTests = async (
  db: Db,
  today: Day,
  how: { readonly times: number; readonly weeks: number },
): Promise<BackTest[]> => {
  const tests: BackTest[] = []
  for (let n = how.times; n >= 1; n--) {
    const from = addDays(weekStart(today), -7 * how.weeks * n)
    const facts = await readForecastFacts(db, from)
    if (facts.dues.length === 0) continue
    const weeks = present(forecast(forecastInput(facts, { weeks: how.weeks, runs: RUNS })))
    const came = await sumCameByWeek(db, { from, to: addDays(from, how.weeks * 7 - 1), issuedBy: from })
    const cameOf = weeks.map((w) => came.get(w.week) ?? 0n)
    tests.push({ from, ...backTest(weeks, cameOf), detail: weeks.map((w, i) => ({ ...w, came: present(cameOf[i]) })) })
  }
  return tests
}
