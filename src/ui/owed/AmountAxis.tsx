import type { ScaleLinear } from 'd3-scale'
import { formatDigits } from '@/core/locale'

interface Props {
  readonly y: ScaleLinear<number, number>
  /** Where the lines begin and end; the figures stand before them. */
  readonly left: number
  readonly right: number
}

/** The amounts at the side of a chart, with a line across for each. */
export const AmountAxis = ({ y, left, right }: Props) =>
  y.ticks(4).map((t) => (
    <g key={t}>
      <line x1={left} x2={right} y1={y(t)} y2={y(t)} stroke="var(--color-paper-200)" />
      <text
        x={left - 8}
        y={y(t) + 4}
        textAnchor="end"
        fontSize="12"
        fontFamily="var(--font-figure)"
        fill="var(--color-iron-500)"
      >
        {formatDigits(String(t))}
      </text>
    </g>
  ))
