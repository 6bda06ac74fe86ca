import { max } from 'd3-array'
import { scaleLinear, scalePoint } from 'd3-scale'
import { area, line } from 'd3-shape'
import { formatDayAndMonth, formatDayShort, type Day } from '@/core/day'
import { formatMoney, money } from '@/core/money'
import type { ForecastWeek } from '@/core/receivables'
import { AmountAxis } from './AmountAxis'
import { across, Ground, Names, Path, Paths, Plot, size } from './Plot'

interface Props {
  readonly weeks: readonly ForecastWeek[]
  /** Another future drawn over it: dashed. */
  readonly other: readonly ForecastWeek[] | null
  readonly currency: string
  readonly today: Day
}
const [HEIGHT, TOP, FOOT, BEFORE, AFTER] = [240, 12, 24, 74, 26]

/** The band between the tenth and the ninetieth of a hundred futures, with the middle one as a line. */
export const BandChart = ({ weeks, other, currency, today }: Props) => {
  const length = (minor: bigint): number => size(money(minor, currency))
  const x = scalePoint(
    weeks.map((w) => w.week),
    [0, 100],
  )
  const most = Math.max(max(weeks, (w) => length(w.high)) ?? 0, max(other ?? [], (w) => length(w.median)) ?? 0, 1)
  const y = scaleLinear([0, most], [HEIGHT - FOOT, TOP]).nice(4)
  const at = (w: ForecastWeek): number => x(w.week) ?? 0
  const middle = line<ForecastWeek>()
    .x(at)
    .y((w) => y(length(w.median)))
  const band = area<ForecastWeek>()
    .x(at)
    .y0((w) => y(length(w.low)))
    .y1((w) => y(length(w.high)))
  const amount = (minor: bigint): string => formatMoney(money(minor, currency))
  const sayWeek = (w: ForecastWeek): string =>
    `${formatDayShort(w.week, today)} ${amount(w.median)}, between ${amount(w.low)} and ${amount(w.high)}`
  return (
    <Plot
      says={`Expected by week: ${weeks.map(sayWeek).join('; ')}`}
      height={HEIGHT}
      before={BEFORE}
      after={AFTER}
      className="max-w-215"
    >
      <AmountAxis y={y} />
      <Paths height={HEIGHT}>
        <Path d={band([...weeks])} fill="var(--color-slate-100)" stroke="var(--color-slate-400)" wide={0.8} />
        <Path d={middle([...weeks])} stroke="var(--color-slate-600)" wide={2.4} />
        {other && <Path d={middle([...other])} stroke="var(--color-rust-600)" wide={2} dash="5 4" />}
      </Paths>
      {weeks.map((w) => (
        <circle key={w.week} cx={across(at(w))} cy={y(length(w.median))} r={3.2} fill="var(--color-slate-600)">
          <title>{`Week of ${formatDayShort(w.week, today)}: ${amount(w.median)}`}</title>
        </circle>
      ))}
      <Names
        names={weeks.map((w) => ({ x: at(w), name: formatDayAndMonth(w.week) }))}
        y={HEIGHT - 6}
        beside={BEFORE + AFTER}
      />
      <Ground y={HEIGHT - FOOT} />
    </Plot>
  )
}
