import { formatDigits } from '@/core/locale'
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatMonth, type Day } from '@/core/day'
import { across, columnsOf, Ground, Names, Over, Plot } from './Plot'

interface Props {
  readonly months: readonly { readonly month: Day; readonly value: number | null }[]
  readonly unit: 'days' | '%'
  readonly fill: string
}
const [HEIGHT, FOOT] = [170, 22]

/** A figure of each month as a column; a month with nothing to measure stays empty. */
export const HabitChart = ({ months, unit, fill }: Props) => {
  const x = columnsOf(
    months.map((m) => m.month),
    0.3,
  )
  const y = scaleLinear([0, Math.max(max(months, (m) => m.value ?? 0) ?? 0, 1)], [HEIGHT - FOOT, 20])
  return (
    <Plot
      says={months
        .map(
          (m) =>
            `${formatMonth(m.month)}: ${m.value === null ? 'nothing paid' : `${formatDigits(String(m.value))} ${unit}`}`,
        )
        .join(', ')}
      height={HEIGHT}
      className="max-w-150"
    >
      {months.map(
        (m) =>
          m.value !== null && (
            <g key={m.month}>
              <rect
                x={across(x.left(m.month))}
                width={across(x.wide)}
                y={y(m.value)}
                height={Math.max(y(0) - y(m.value), 1)}
                fill={fill}
              />
              <Over x={x.middle(m.month)} y={y(m.value)}>
                {formatDigits(String(m.value))}
              </Over>
            </g>
          ),
      )}
      <Names names={months.map((m) => ({ x: x.middle(m.month), name: formatMonth(m.month) }))} y={HEIGHT - 6} />
      <Ground y={HEIGHT - FOOT} />
    </Plot>
  )
}
