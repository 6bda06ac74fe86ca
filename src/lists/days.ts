import { addMonths, yearStart, type Day } from '@/core/day'

/** The days that are asked for, or none. */
interface SpanAsked {
  readonly from?: Day | null
  readonly to?: Day | null
}

/** The days a report is of where its address says none: the year until its last day, which is today. */
export const yearUntil = ({ from, to }: SpanAsked, today: Day) => {
  const last = to ?? today
  return { from: from ?? yearStart(last), to: last }
}

/** The twelve months until its last day. */
export const twelveMonthsUntil = ({ from, to }: SpanAsked, today: Day) => {
  const last = to ?? today
  return { from: from ?? addMonths(last, -12), to: last }
}

/** The day of which a report says how things stood; a span is of its last. */
export const dayOf = ({ asOf, to }: { readonly asOf: Day | null; readonly to?: Day | null }, today: Day) => ({
  asOf: asOf ?? to ?? today,
})
