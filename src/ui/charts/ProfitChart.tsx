import { max, min } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatMonth, type Day } from '@/core/day'
import { formatMoney, type Money } from '@/core/money'
import { To } from '../To'
import { AmountAxis } from './AmountAxis'
import { across, columnsOf, Ground, Names, Plot, size } from './Plot'

interface Month {
  readonly from: Day
  readonly to: Day
  readonly income: Money
  readonly costs: Money
  readonly profit: Money
}

const [HEIGHT, TOP, FOOT, BEFORE] = [190, 12, 24, 76]

/** Income and costs of each month side by side, and the profit as a line between them; a month opens its entries. */
export const ProfitChart = ({ months }: { readonly months: readonly Month[] }) => {
  const x = columnsOf(
    months.map((m) => m.from),
    0.3,
  )
  const all = months.flatMap((m) => [size(m.income), size(m.costs), size(m.profit), 0])
  const y = scaleLinear([min(all) ?? 0, Math.max(max(all) ?? 0, 1)], [HEIGHT - FOOT, TOP]).nice(4)
  const half = x.wide / 2
  const bar = (amount: Money, from: number, fill: string) => (
    <rect
      x={across(from)}
      width={across(half * 0.96)}
      y={Math.min(y(0), y(size(amount)))}
      height={Math.abs(y(0) - y(size(amount)))}
      fill={fill}
    />
  )
  return (
    <figure className="mb-5 max-w-180">
      <Plot role="group" says="Income, costs and profit by month" height={HEIGHT} before={BEFORE}>
        <AmountAxis y={y} />
        {months.map((m) => {
          const says = `${formatMonth(m.from)} ${m.from.slice(0, 4)}: income ${formatMoney(m.income)}, costs ${formatMoney(m.costs)}, profit ${formatMoney(m.profit)}`
          const beyond = half * 0.14
          return (
            <To
              key={m.from}
              href={`/books?view=journal&from=${m.from}&to=${m.to}`}
              aria-label={`${says}. Open its entries`}
            >
              <title>{says}</title>
              <rect
                x={across(x.left(m.from))}
                width={across(x.wide)}
                y={TOP}
                height={HEIGHT - TOP}
                fill="transparent"
              />
              {bar(m.income, x.left(m.from), 'var(--color-patina-700)')}
              {bar(m.costs, x.left(m.from) + half, 'var(--color-slate-400)')}
              <line
                x1={across(x.left(m.from) - beyond)}
                x2={across(x.left(m.from) + x.wide + beyond)}
                y1={y(size(m.profit))}
                y2={y(size(m.profit))}
                stroke="var(--color-rust-600)"
                strokeWidth="2.5"
              />
            </To>
          )
        })}
        <Names
          names={months.map((m) => ({ x: x.middle(m.from), name: formatMonth(m.from) }))}
          y={HEIGHT - 6}
          beside={BEFORE}
        />
        <Ground y={y(0)} />
      </Plot>
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
