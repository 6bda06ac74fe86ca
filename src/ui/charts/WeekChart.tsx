import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatDayAndMonth, formatDayShort, type Day } from '@/core/day'
import { formatMoney, formatWhole, type Money } from '@/core/money'
import { across, columnsOf, Ground, Names, Over, Plot, size } from './Plot'

interface Week {
  readonly week: Day
  readonly amount: Money
}
const [HEIGHT, TOP, FOOT] = [128, 18, 20]

/** What falls due in each of the next weeks; what is late already is expected in the first. */
export const WeekChart = ({ weeks, today }: { readonly weeks: readonly Week[]; readonly today: Day }) => {
  const x = columnsOf(
    weeks.map((w) => w.week),
    0.32,
  )
  const y = scaleLinear([0, Math.max(max(weeks, (w) => size(w.amount)) ?? 0, 1)], [HEIGHT - FOOT, TOP])
  return (
    <Plot
      says={`Falls due: ${weeks.map((w) => `week of ${formatDayShort(w.week, today)} ${formatMoney(w.amount)}`).join(', ')}`}
      height={HEIGHT}
      className="max-w-117.5"
    >
      {weeks.map((w, i) => (
        <g key={w.week}>
          <title>{`Week of ${formatDayShort(w.week, today)}: ${formatMoney(w.amount)}${i === 0 ? ' (with all that is late)' : ''}`}</title>
          <rect
            x={across(x.left(w.week))}
            width={across(x.wide)}
            y={y(size(w.amount))}
            height={y(0) - y(size(w.amount))}
            fill={i === 0 ? 'var(--color-slate-600)' : 'var(--color-slate-400)'}
          />
          {w.amount.minor > 0n && (
            <Over x={x.middle(w.week)} y={y(size(w.amount))}>
              {formatWhole(w.amount)}
            </Over>
          )}
        </g>
      ))}
      <Names names={weeks.map((w) => ({ x: x.middle(w.week), name: formatDayAndMonth(w.week) }))} y={HEIGHT - 5} />
      <Ground y={HEIGHT - FOOT} />
    </Plot>
  )
}
