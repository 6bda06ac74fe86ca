import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatMonth, type Day } from '@/core/day'
import { across, columnsOf, Ground, Names, Plot } from './Plot'

interface RateBar {
  readonly month: Day
  readonly agreed: number
  readonly lost: number
  readonly open: number
}

const nameOf = ({ month }: RateBar): string => `${formatMonth(month)} ${month.slice(0, 4)}`
const [HEIGHT, FOOT] = [170, 22]
const PARTS = [
  { name: 'Accepted', fill: 'var(--color-patina-700)', of: (b: RateBar) => b.agreed },
  { name: 'Lost', fill: 'var(--color-oxide-500)', of: (b: RateBar) => b.lost },
  { name: 'Open', fill: 'var(--color-paper-200)', of: (b: RateBar) => b.open },
] as const

/** Estimates of each month as one column: accepted below, then lost, then still open. */
export const OfferChart = ({ bars }: { readonly bars: readonly RateBar[] }) => {
  const x = columnsOf(
    bars.map((b) => b.month),
    0.3,
  )
  const y = scaleLinear([0, Math.max(max(bars, (b) => b.agreed + b.lost + b.open) ?? 0, 1)], [HEIGHT - FOOT, 12])
  return (
    <>
      <Plot
        says={`Estimates by month: ${bars.map((b) => `${nameOf(b)} ${b.agreed} accepted, ${b.lost} lost, ${b.open} open`).join('; ')}`}
        height={HEIGHT}
        className="max-w-215"
      >
        {bars.map((b) => {
          let base = 0
          return (
            <g key={b.month}>
              {PARTS.map((p) => {
                const from = base
                base += p.of(b)
                return (
                  <rect
                    key={p.name}
                    x={across(x.left(b.month))}
                    width={across(x.wide)}
                    y={y(base)}
                    height={y(from) - y(base)}
                    fill={p.fill}
                    stroke="var(--color-iron-700)"
                    strokeWidth={p.name === 'Open' && p.of(b) > 0 ? 0.6 : 0}
                  >
                    <title>{`${nameOf(b)}: ${p.of(b)} ${p.name.toLowerCase()}`}</title>
                  </rect>
                )
              })}
            </g>
          )
        })}
        <Names names={bars.map((b) => ({ x: x.middle(b.month), name: formatMonth(b.month) }))} y={HEIGHT - 6} />
        <Ground y={HEIGHT - FOOT} />
      </Plot>
      <p className="sub flex gap-5">
        {PARTS.map((p) => (
          <span key={p.name} className="flex items-center gap-1.5">
            <span
              aria-hidden
              className="inline-block h-2.5 w-2.5 border border-iron-700"
              style={{ background: p.fill }}
            />{' '}
            {p.name}
          </span>
        ))}
      </p>
    </>
  )
}
