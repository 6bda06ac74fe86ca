import { max } from 'd3-array'
import { scaleLinear, scalePoint } from 'd3-scale'
import { area, line } from 'd3-shape'
import { formatDayAndMonth, formatDayShort, type Day } from '@/core/day'
import { formatMoney, money, toDecimal } from '@/core/money'
import type { ForecastWeek } from '@/core/receivables'
import { AmountAxis } from './AmountAxis'

interface Props {
  readonly weeks: readonly ForecastWeek[]
  /** Another future drawn over it: dashed. */
  readonly other: readonly ForecastWeek[] | null
  readonly currency: string
  readonly today: Day
}

/** The band between the tenth and the ninetieth of a hundred futures, with the middle one as a line. */
export const BandChart = ({ weeks, other, currency, today }: Props) => {
  const [width, height, left, foot, top] = [760, 240, 74, 24, 12]
  const size = (minor: bigint): number => toDecimal(money(minor, currency)).toNumber()
  const x = scalePoint(
    weeks.map((w) => w.week),
    [left, width - 26],
  )
  const most = Math.max(max(weeks, (w) => size(w.high)) ?? 0, max(other ?? [], (w) => size(w.median)) ?? 0, 1)
  const y = scaleLinear([0, most], [height - foot, top]).nice(4)
  const at = (w: ForecastWeek): number => x(w.week) ?? 0
  const middle = line<ForecastWeek>()
    .x(at)
    .y((w) => y(size(w.median)))
  const band = area<ForecastWeek>()
    .x(at)
    .y0((w) => y(size(w.low)))
    .y1((w) => y(size(w.high)))
  const amount = (minor: bigint): string => formatMoney(money(minor, currency))
  const sayWeek = (w: (typeof weeks)[number]): string =>
    `${formatDayShort(w.week, today)} ${amount(w.median)}, between ${amount(w.low)} and ${amount(w.high)}`
  return (
    <svg
      role="img"
      aria-label={`Expected by week: ${weeks.map(sayWeek).join('; ')}`}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-215"
    >
      <AmountAxis y={y} left={left} right={width - 26} />
      <path
        d={band([...weeks]) ?? ''}
        fill="var(--color-slate-100)"
        stroke="var(--color-slate-400)"
        strokeWidth={0.8}
      />
      <path d={middle([...weeks]) ?? ''} fill="none" stroke="var(--color-slate-600)" strokeWidth={2.4} />
      {other && (
        <path
          d={middle([...other]) ?? ''}
          fill="none"
          stroke="var(--color-rust-600)"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      )}
      {weeks.map((w) => (
        <g key={w.week}>
          <circle cx={at(w)} cy={y(size(w.median))} r={3.2} fill="var(--color-slate-600)">
            <title>{`Week of ${formatDayShort(w.week, today)}: ${formatMoney(money(w.median, currency))}`}</title>
          </circle>
          <text x={at(w)} y={height - 6} textAnchor="middle" fontSize="12" fill="var(--color-iron-500)">
            {formatDayAndMonth(w.week)}
          </text>
        </g>
      ))}
      <line x1={left} x2={width - 26} y1={height - foot} y2={height - foot} stroke="var(--color-iron-900)" />
    </svg>
  )
}
