import { formatMoney, percentOf } from '@/core/money'
import type { MoneyBar as Bar } from '@/core/sale'
import { DrawnBar, type BarWords } from './DrawnBar'

const PARTS = [
  { key: 'earned', label: 'Paid', fill: 'bg-patina-700' },
  { key: 'held', label: 'Held', fill: 'hatch' },
  { key: 'notDue', label: 'Invoiced, not due', fill: 'bg-slate-400' },
  { key: 'late', label: 'Late', fill: 'bg-oxide-700 late-notch' },
  { key: 'toCome', label: 'Not invoiced yet', fill: 'bg-paper-50' },
] as const

const says = (bar: Bar): string =>
  PARTS.filter((p) => bar[p.key].minor > 0n)
    .map((p) => `${p.label} ${formatMoney(bar[p.key])}`)
    .join(', ') || 'No amounts yet'

/** Where the money of a sale, a customer or all sales stands: one bar in money proportion. */
export const MoneyBar = ({ bar, small = false }: { readonly bar: Bar; readonly small?: boolean }) => (
  <DrawnBar {...barWords(bar, small)} />
)

export const barWords = (bar: Bar, small: boolean): BarWords => ({
  says: says(bar),
  small,
  parts: PARTS.filter((p) => bar[p.key].minor > 0n).map(({ key, fill }) => ({
    fill,
    width: `${percentOf(bar[key], bar.total)}%`,
    notched: key === 'late' && !small,
  })),
})

/** The figures under the bar. They add up to the total with tax. */
export const MoneyLegend = ({ bar }: { readonly bar: Bar }) => (
  <dl className="mt-2 flex flex-wrap gap-x-7 gap-y-2">
    {PARTS.map((p) => (
      <div key={p.key}>
        <dt className="sub flex items-center gap-1.5">
          <span aria-hidden className={`inline-block h-2.5 w-2.5 border border-iron-700 ${p.fill}`} />
          {p.label}
        </dt>
        <dd className="fig font-bold">{formatMoney(bar[p.key])}</dd>
      </div>
    ))}
    <div className="ml-auto text-right">
      <dt className="sub">Total with tax</dt>
      <dd className="fig text-lg font-bold">{formatMoney(bar.total)}</dd>
    </div>
    {bar.heldBeyond.minor > 0n && (
      <div className="w-full text-brass-700">
        {formatMoney(bar.heldBeyond)} more is held than is left to invoice. Refund it, or apply it to another sale.
      </div>
    )}
  </dl>
)
