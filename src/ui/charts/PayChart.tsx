import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatDayShort, sayDays, type Day } from '@/core/day'
import { across, columnsOf, Ground, Plot } from './Plot'

interface Props {
  readonly bars: readonly { readonly on: Day; readonly days: number }[]
  readonly average: number
  readonly today: Day
}
const [HEIGHT, FOOT] = [70, 4]

/** How many days each of the last bills took to be paid, the oldest first, with the average as a line. */
export const PayChart = ({ bars, average, today }: Props) => {
  const x = columnsOf(
    bars.map((_, i) => String(i)),
    0.25,
  )
  const y = scaleLinear([0, Math.max(max(bars, (b) => b.days) ?? 0, average, 1)], [HEIGHT - FOOT, 4])
  return (
    <Plot
      says={`Days to pay the last ${bars.length} invoices: ${bars.map((b) => `${b.days} in ${formatDayShort(b.on, today)}`).join(', ')}; ${Math.round(average)} on average`}
      height={HEIGHT}
      className="max-w-85"
    >
      {bars.map((b, i) => (
        <rect
          key={i}
          x={across(x.left(String(i)))}
          width={across(x.wide)}
          y={y(b.days)}
          height={Math.max(y(0) - y(b.days), 1)}
          fill={b.days > average ? 'var(--color-oxide-500)' : 'var(--color-slate-400)'}
        >
          <title>{`${formatDayShort(b.on, today)}: ${sayDays(b.days)}`}</title>
        </rect>
      ))}
      <line x1="0%" x2="100%" y1={y(average)} y2={y(average)} stroke="var(--color-iron-900)" strokeDasharray="4 3" />
      <Ground y={HEIGHT - FOOT} />
    </Plot>
  )
}
