import { max, min } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import { formatMonth, type Day } from '@/core/day'
import { formatMoney, toDecimal, type Money } from '@/core/money'
import { AmountAxis } from '../owed/AmountAxis'
import { To } from '../To'

interface Month {
  readonly from: Day
  readonly to: Day
  readonly income: Money
  readonly costs: Money
  readonly profit: Money
}

const size = (m: Money): number => toDecimal(m).toNumber()
const [WIDTH, HEIGHT, TOP, FOOT, LEFT] = [720, 190, 12, 24, 76]

/** Income and costs of each month side by side, and the profit as a line between them; a month opens its entries. */
export const ProfitChart = ({ months }: { readonly months: readonly Month[] }) => {
  const x = scaleBand(
    months.map((m) => m.from),
    [LEFT, WIDTH],
  ).padding(0.3)
  const all = months.flatMap((m) => [size(m.income), size(m.costs), size(m.profit), 0])
  const y = scaleLinear([min(all) ?? 0, Math.max(max(all) ?? 0, 1)], [HEIGHT - FOOT, TOP]).nice(4)
  const half = x.bandwidth() / 2
  const bar = (amount: Money, left: number, fill: string) => (
    <rect
      x={left}
      width={half - 1}
      y={Math.min(y(0), y(size(amount)))}
      height={Math.abs(y(0) - y(size(amount)))}
      fill={fill}
    />
  )
  return (
    <figure className="mb-5 max-w-180">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full"
        role="group"
        aria-label="Income, costs and profit by month"
      >
        <AmountAxis y={y} left={LEFT} right={WIDTH} />
        {months.map((m) => {
          const left = x(m.from) ?? 0
          const says = `${formatMonth(m.from)} ${m.from.slice(0, 4)}: income ${formatMoney(m.income)}, costs ${formatMoney(m.costs)}, profit ${formatMoney(m.profit)}`
          return (
            <To
              key={m.from}
              href={`/books?view=journal&from=${m.from}&to=${m.to}`}
              aria-label={`${says}. Open its entries`}
            >
              <title>{says}</title>
              <rect x={left} width={x.bandwidth()} y={TOP} height={HEIGHT - TOP} fill="transparent" />
              {bar(m.income, left, 'var(--color-patina-700)')}
              {bar(m.costs, left + half, 'var(--color-slate-400)')}
              <line
                x1={left - 3}
                x2={left + x.bandwidth() + 2}
                y1={y(size(m.profit))}
                y2={y(size(m.profit))}
                stroke="var(--color-rust-600)"
                strokeWidth="2.5"
              />
              <text x={left + half} y={HEIGHT - 6} textAnchor="middle" fontSize="12" fill="var(--color-iron-500)">
                {formatMonth(m.from)}
              </text>
            </To>
          )
        })}
        <line x1={LEFT} x2={WIDTH} y1={y(0)} y2={y(0)} stroke="var(--color-iron-900)" />
      </svg>
      <figcaption className="sub flex flex-wrap gap-x-5">
        <span className="inline-flex items-center gap-1.5">
          <span aria-hidden className="h-3 w-3 bg-patina-700" /> Income
        </span>
        <span className="inline-flex items-center gap-1.5">
          <span aria-hidden className="h-3 w-3 bg-slate-400" /> Costs
        </span>
        <span className="inline-flex items-center gap-1.5">
          <span aria-hidden className="h-0.5 w-4 bg-rust-600" /> Profit
        </span>
      </figcaption>
    </figure>
  )
}
