import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatMoney, toDecimal, type Money } from '@/core/money'
import type { Turnover } from '@/model/goods/turnover'
import { To } from '../To'

/** Drawing only: a length for an amount. */
const size = (m: Money): number => Math.max(toDecimal(m).toNumber(), 0)
/** So many of the first rows are drawn. */
const SHOWN = 8

/** The first rows of the list as bars: what each brought, beside what is tied up in it. */
export const SellsAndStays = ({ rows }: { readonly rows: readonly Turnover[] }) => {
  const shown = rows.slice(0, SHOWN)
  const most = max(shown, (r) => Math.max(size(r.profit), size(r.value))) ?? 0
  if (most === 0) return null
  const x = scaleLinear([0, most], [0, 100])
  const bar = (m: Money, fill: string) => <rect x={0} y={0} width={x(size(m))} height={8} style={{ fill }} />
  return (
    <figure className="mb-6 max-w-3xl">
      <figcaption className="sub mb-1">
        Profit <span className="inline-block h-2 w-4 bg-patina-700" /> beside what is in stock{' '}
        <span className="inline-block h-2 w-4 bg-slate-400" />
      </figcaption>
      {shown.map((r) => (
        <div key={r.goodsId} className="grid grid-cols-[minmax(0,14rem)_1fr] items-center gap-3 py-1">
          <To className="text-[14px] hover:underline one-line" href={`/goods/${r.goodsId}`}>
            {r.name}
          </To>
          <svg
            role="img"
            aria-label={`${r.name}: profit ${formatMoney(r.profit)}, in stock ${formatMoney(r.value)}`}
            className="block h-4 w-full"
            viewBox="0 0 100 17"
            preserveAspectRatio="none"
          >
            {bar(r.profit, 'var(--color-patina-700)')}
            <g transform="translate(0 9)">{bar(r.value, 'var(--color-slate-400)')}</g>
          </svg>
        </div>
      ))}
    </figure>
  )
}
