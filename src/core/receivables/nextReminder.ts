import { present } from '@/core/present'
import { addDays, daysBetween, type Day } from '../day'

export interface ReminderWritten {
  readonly stage: number
  readonly on: Day
}

/** The next reminder, or the day from which it may go. */
export type NextReminder =
  | { readonly stage: number; readonly wait: null }
  | { readonly stage: number; readonly wait: Day }

/**
 * Which reminder comes next for somebody whose oldest open due was due on `since`. The first may go `days[0]` days after
 * that; each further one when its own days have passed too, and never sooner after the last than the two stages are
 * apart. After the last stage, the last wording again, at its own distance. Reminders from before the due was late belong
 * to another story. Null where nothing is late.
 *
 * @example days 7, 21, 35; due 1 March; today 10 March → stage 1; written then, stage 2 waits for 24 March
 */
export const nextReminder = (
  since: Day | null,
  written: readonly ReminderWritten[],
  days: readonly number[],
  today: Day,
): NextReminder | null => {
  if (since === null || since >= today || days.length === 0) return null
  const mine = written.filter((r) => daysBetween(since, r.on) > 0)
  const last = mine.reduce<ReminderWritten | null>((a, b) => (a && a.on >= b.on ? a : b), null)
  const stage = Math.min((last?.stage ?? 0) + 1, days.length)
  const gap = present(days[stage - 1]) - (days[stage - 2] ?? 0)
  const byAge = addDays(since, present(days[stage - 1]))
  const byLast = last ? addDays(last.on, gap) : byAge
  const from = byLast > byAge ? byLast : byAge
  return { stage, wait: from <= today ? null : from }
}
