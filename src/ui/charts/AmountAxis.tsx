import type { ScaleLinear } from 'd3-scale'
import { formatDigits } from '@/core/locale'

/** The amounts at the side of a chart, with a line across for each; its Plot leaves them room before it. */
export const AmountAxis = ({ y }: { readonly y: ScaleLinear<number, number> }) =>
  y.ticks(4).map((t) => (
    <g key={t}>
      <line x1="0%" x2="100%" y1={y(t)} y2={y(t)} stroke="var(--color-paper-200)" />
      <text
        x={-8}
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
