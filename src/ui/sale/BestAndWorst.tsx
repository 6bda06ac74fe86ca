import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatMoney, toDecimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import { To } from '../To'

/** What something earned, with where it is looked at. */
export interface Earner {
  readonly name: string
  readonly href: string
  readonly profit: Money
}

/** Drawing only: a length for an amount. */
const size = (m: Money): number => toDecimal(m).toNumber()
const MOST = 10

/** The ten that earned most and the ten that earned least; all of them where there are no more than twenty. */
export const bestAndWorst = (
  all: readonly Earner[],
): { readonly best: readonly Earner[]; readonly worst: readonly Earner[] } => {
  const sorted = [...all].sort((a, b) => size(b.profit) - size(a.profit))
  return { best: sorted.slice(0, MOST), worst: sorted.slice(Math.max(MOST, sorted.length - MOST)).reverse() }
}

/** What earned most and least, as bars from one line: to the right what was earned, to the left what was lost. */
export const BestAndWorst = ({ all }: { readonly all: readonly Earner[] }) => {
  const { best, worst } = bestAndWorst(all)
  if (best.length < 2) return null
  const [least, most] = extent([...best, ...worst], (e) => size(e.profit))
  const x = scaleLinear([Math.min(present(least), 0), Math.max(present(most), 0)], [0, 100])
  return (
    <div className="mb-6 grid max-w-5xl gap-x-10 gap-y-4 lg:grid-cols-2">
      <Bars title="Earned most" earners={best} x={x} />
      {worst.length > 0 && <Bars title="Earned least" earners={worst} x={x} />}
    </div>
  )
}

interface BarsProps {
  readonly title: string
  readonly earners: readonly Earner[]
  readonly x: (value: number) => number
}

const Bars = ({ title, earners, x }: BarsProps) => (
  <figure className="grid content-start grid-cols-[minmax(0,11rem)_minmax(1.5rem,1fr)_auto] gap-x-3 max-sm:grid-cols-[minmax(0,8rem)_minmax(1.5rem,1fr)_auto]">
    <figcaption className="sub col-span-3 mb-1">{title}</figcaption>
    {earners.map((e) => {
      const [from, to] = [x(0), x(size(e.profit))]
      return (
        <div key={e.href + e.name} className="col-span-3 grid grid-cols-subgrid items-center py-0.5">
          <To className="hover:underline one-line" href={e.href}>
            {e.name}
          </To>
          <svg aria-hidden className="block h-3 w-full" viewBox="0 0 100 10" preserveAspectRatio="none">
            <rect
              x={Math.min(from, to)}
              width={Math.max(Math.abs(to - from), 0.4)}
              height={10}
              fill={to < from ? 'var(--color-oxide-500)' : 'var(--color-patina-700)'}
            />
          </svg>
          <span className="fig">{formatMoney(e.profit)}</span>
        </div>
      )
    })}
  </figure>
)
