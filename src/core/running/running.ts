import { present } from '@/core/present'
import { compareDays, type Day } from '../day'

/** What changed a balance on a day, in its smallest unit (minor units of money, ten-thousandths of a quantity). */
export interface Change {
  readonly on: Day
  readonly by: bigint
}

const byDay = (changes: readonly Change[]): Change[] => {
  const sums = new Map<Day, bigint>()
  for (const { on, by } of changes) sums.set(on, (sums.get(on) ?? 0n) + by)
  return [...sums].map(([on, by]) => ({ on, by })).sort((a, b) => compareDays(a.on, b.on))
}

/**
 * The balance at the end of a day. Nothing before the first change.
 *
 * @example balanceOn([{ on: day('2026-03-01'), by: 100n }, { on: day('2026-03-09'), by: -70n }], day('2026-03-08')) // 100
 */
export const balanceOn = (changes: readonly Change[], on: Day): bigint =>
  changes.reduce((sum, c) => (c.on <= on ? sum + c.by : sum), 0n)

/**
 * The lowest balance from the end of a day on: what may leave on that day so that no later day falls below zero.
 *
 * @example +100 on the 1st, −70 on the 9th: 30 from the 5th on, though 100 lay there that evening
 */
export const lowestFrom = (changes: readonly Change[], on: Day): bigint => {
  let balance = balanceOn(changes, on)
  let lowest = balance
  for (const { on: later, by } of byDay(changes)) {
    if (later <= on) continue
    balance += by
    if (balance < lowest) lowest = balance
  }
  return lowest
}

/** Balances that are kept apart, such as money held as a deposit and as layaway: each must bear what leaves it. */
export type Balances = readonly (readonly Change[])[]

const sumOver = (balances: Balances, of: (changes: readonly Change[]) => bigint): bigint =>
  balances.reduce((sum, changes) => sum + of(changes), 0n)

/** The first day that passes, among a day and the days of changes after it; null where none does. */
const firstOf = (balances: Balances, from: Day, passes: (day: Day) => boolean): Day | null =>
  [from, ...byDay(balances.flat()).flatMap((c) => (c.on > from ? [c.on] : []))].find(passes) ?? null

/** The first day, not before `from`, on which an amount may leave balances together; null where it never may. */
export const firstDayFor = (balances: Balances, amount: bigint, from: Day): Day | null =>
  firstOf(balances, from, (day) => sumOver(balances, (c) => lowestFrom(c, day)) >= amount)

/**
 * The first day, not before `from`, on which nothing later stands in the way: whatever of `amount` lies there that
 * evening may leave. There always is one, the day of the last change at the latest.
 */
export const firstUndisturbed = (balances: Balances, amount: bigint, from: Day): Day =>
  present(
    firstOf(balances, from, (day) => {
      const there = sumOver(balances, (c) => balanceOn(c, day))
      return sumOver(balances, (c) => lowestFrom(c, day)) >= (there < amount ? there : amount)
    }),
  )
