import { formatDay, formatDayShort, type Day as CalendarDay } from '@/core/day'

/** A date, short; the full one on hover. */
export const Day = ({ on, today }: { readonly on: CalendarDay; readonly today: CalendarDay }) => (
  <time dateTime={on} title={formatDay(on)} className="whitespace-nowrap">
    {formatDayShort(on, today)}
  </time>
)
