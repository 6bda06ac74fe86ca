import { formatDigits } from '@/core/locale'
import { present } from '@/core/present'
import { max } from 'd3-array'
import { scaleBand, scaleLinear, scalePoint } from 'd3-scale'
import { line } from 'd3-shape'
import { formatMonth, type Day } from '@/core/day'
import { formatMoney, toDecimal, type Money } from '@/core/money'
import { AmountAxis } from './AmountAxis'

interface HabitProps {
  readonly months: readonly { readonly month: Day; readonly value: number | null }[]
  readonly unit: 'days' | '%'
  readonly fill: string
}

/** A figure of each month as a column; a month with nothing to measure stays empty. */
export const HabitChart = ({ months, unit, fill }: HabitProps) => {
  const [width, height, foot] = [560, 170, 22]
  const x = scaleBand(
    months.map((m) => m.month),
    [0, width],
  ).padding(0.3)
  const y = scaleLinear([0, Math.max(max(months, (m) => m.value ?? 0) ?? 0, 1)], [height - foot, 20])
  return (
    <svg
      role="img"
      aria-label={months
        .map(
          (m) =>
            `${formatMonth(m.month)}: ${m.value === null ? 'nothing paid' : `${formatDigits(String(m.value))} ${unit}`}`,
        )
        .join(', ')}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-150"
    >
      {months.map((m) => (
        <g key={m.month}>
          {m.value !== null && (
            <>
              <rect
                x={x(m.month)}
                width={x.bandwidth()}
                y={y(m.value)}
                height={Math.max(y(0) - y(m.value), 1)}
                fill={fill}
              />
              <text
                x={(x(m.month) ?? 0) + x.bandwidth() / 2}
                y={y(m.value) - 4}
                textAnchor="middle"
                fontSize="11"
                fontFamily="var(--font-figure)"
                fill="var(--color-iron-700)"
              >
                {formatDigits(String(m.value))}
              </text>
            </>
          )}
          <text
            x={(x(m.month) ?? 0) + x.bandwidth() / 2}
            y={height - 6}
            textAnchor="middle"
            fontSize="11"
            fill="var(--color-iron-500)"
          >
            {formatMonth(m.month)}
          </text>
        </g>
      ))}
      <line x1={0} x2={width} y1={height - foot} y2={height - foot} stroke="var(--color-iron-900)" />
    </svg>
  )
}

interface OweProps {
  readonly customers: readonly { readonly name: string; readonly owed: readonly Money[] }[]
  readonly months: readonly Day[]
}

/** What each of the ten owed at the end of every month: a line each, numbered as in the table. */
export const OweLines = ({ customers, months }: OweProps) => {
  const [width, height, foot, left] = [640, 240, 22, 66]
  const size = (m: Money): number => toDecimal(m).toNumber()
  const x = scalePoint<string>([...months], [left, width - 22])
  const y = scaleLinear([0, Math.max(max(customers, (c) => max(c.owed, size) ?? 0) ?? 0, 1)], [height - foot, 12]).nice(
    4,
  )
  const path = line<Money>()
    .x((_, i) => x(present(months[i])) ?? 0)
    .y((m) => y(size(m)))
  return (
    <svg
      role="img"
      aria-label={customers.map((c, i) => `${i + 1} ${c.name}: ${formatMoney(present(c.owed.at(-1)))} now`).join(', ')}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-190"
    >
      <AmountAxis y={y} left={left} right={width - 22} />
      {customers.map((c, i) => (
        <g key={i}>
          <path
            d={path([...c.owed]) ?? ''}
            fill="none"
            stroke={i < 3 ? 'var(--color-rust-600)' : 'var(--color-iron-400)'}
            strokeWidth={i < 3 ? 2 : 1.2}
            strokeDasharray={['', '6 3', '2 3'][i % 3]}
          >
            <title>{c.name}</title>
          </path>
          <text
            className={
              i > 0 && y(size(present(c.owed.at(-1)))) - y(size(present(present(customers[i - 1]).owed.at(-1)))) < 11
                ? 'hidden'
                : ''
            }
            x={width - 18}
            y={y(size(present(c.owed.at(-1)))) + 4}
            fontSize="11"
            fontFamily="var(--font-figure)"
            fill="var(--color-iron-700)"
          >
            {i + 1}
          </text>
        </g>
      ))}
      {months.map((m) => (
        <text key={m} x={x(m)} y={height - 6} textAnchor="middle" fontSize="11" fill="var(--color-iron-500)">
          {formatMonth(m)}
        </text>
      ))}
      <line x1={left} x2={width - 22} y1={height - foot} y2={height - foot} stroke="var(--color-iron-900)" />
    </svg>
  )
}
