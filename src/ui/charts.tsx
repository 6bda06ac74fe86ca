import { present } from '@/core/present'
import { cumsum, max } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import { formatDayAndMonth, formatDayShort, formatMonth, sayDays, type Day } from '@/core/day'
import { formatMoney, formatWhole, toDecimal, type Money } from '@/core/money'
import { AGE_COLUMNS, type AgeColumn, type Ages } from '@/core/receivables'
import { To } from './To'

/** Drawing only: a length for an amount. No figure that is read comes from here. */
const size = (m: Money): number => toDecimal(m).toNumber()

const AGE_FILL: Readonly<Record<AgeColumn, string>> = {
  notDue: 'var(--color-slate-400)',
  d1to30: 'var(--color-oxide-400)',
  d31to60: 'var(--color-oxide-500)',
  d61to90: 'var(--color-oxide-700)',
  over90: 'var(--color-oxide-900)',
}

/** What is owed by age, as one bar with its figures under it. */
export const AgeBar = ({
  ages,
  names,
  hrefOf,
}: {
  readonly ages: Ages
  /** Where an age opens into whom it is of. */
  readonly hrefOf: (column: AgeColumn) => string
  readonly names: Readonly<Record<AgeColumn, string>>
}) => {
  const x = scaleLinear([0, Math.max(size(ages.total), 0.01)], [0, 100])
  const ends = cumsum(AGE_COLUMNS, (c) => x(size(ages[c])))
  return (
    <>
      <svg
        role="img"
        aria-label={`By age: ${AGE_COLUMNS.map((c) => `${names[c]} ${formatMoney(ages[c])}`).join(', ')}`}
        className="block h-7.5 w-full border border-iron-700"
        viewBox="0 0 100 30"
        preserveAspectRatio="none"
      >
        {AGE_COLUMNS.map((c, i) => {
          const from = i === 0 ? 0 : present(ends[i - 1])
          return (
            <rect key={c} x={from} width={Math.max(present(ends[i]) - from - 0.15, 0)} height={30} fill={AGE_FILL[c]} />
          )
        })}
      </svg>
      <dl className="mt-2 flex flex-wrap gap-x-7 gap-y-2">
        {AGE_COLUMNS.map((c) => (
          <div key={c}>
            <dt className="sub flex items-center gap-1.5">
              <span aria-hidden className="inline-block h-2.5 w-2.5" style={{ background: AGE_FILL[c] }} />
              {names[c]}
            </dt>
            <dd className="fig font-bold">
              <To className="hover:underline" href={hrefOf(c)} aria-label={`${names[c]}: ${formatMoney(ages[c])}`}>
                {formatMoney(ages[c])}
              </To>
            </dd>
          </div>
        ))}
      </dl>
    </>
  )
}

interface Week {
  readonly week: Day
  readonly amount: Money
}

/** What falls due in each of the next weeks; what is late already is expected in the first. */
export const WeekChart = ({ weeks, today }: { readonly weeks: readonly Week[]; readonly today: Day }) => {
  const [width, height, top, foot] = [470, 128, 18, 20]
  const x = scaleBand(
    weeks.map((w) => w.week),
    [0, width],
  ).padding(0.32)
  const y = scaleLinear([0, Math.max(max(weeks, (w) => size(w.amount)) ?? 0, 1)], [height - foot, top])
  return (
    <svg
      role="img"
      aria-label={`Falls due: ${weeks.map((w) => `week of ${formatDayShort(w.week, today)} ${formatMoney(w.amount)}`).join(', ')}`}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-117.5"
    >
      {weeks.map((w, i) => {
        const left = x(w.week) ?? 0
        const amount = formatMoney(w.amount)
        return (
          <g key={w.week}>
            <title>{`Week of ${formatDayShort(w.week, today)}: ${amount}${i === 0 ? ' (with all that is late)' : ''}`}</title>
            <rect
              x={left}
              width={x.bandwidth()}
              y={y(size(w.amount))}
              height={y(0) - y(size(w.amount))}
              fill={i === 0 ? 'var(--color-slate-600)' : 'var(--color-slate-400)'}
            />
            {w.amount.minor > 0n && (
              <text
                x={left + x.bandwidth() / 2}
                y={y(size(w.amount)) - 4}
                textAnchor="middle"
                fontSize="11"
                fontFamily="var(--font-figure)"
                fill="var(--color-iron-700)"
              >
                {formatWhole(w.amount)}
              </text>
            )}
            <text
              x={left + x.bandwidth() / 2}
              y={height - 5}
              textAnchor="middle"
              fontSize="12"
              fill="var(--color-iron-500)"
            >
              {formatDayAndMonth(w.week)}
            </text>
          </g>
        )
      })}
      <line x1={0} x2={width} y1={height - foot} y2={height - foot} stroke="var(--color-iron-900)" />
    </svg>
  )
}

interface PaidBar {
  readonly on: Day
  readonly days: number
}

/** How many days each of the last bills took to be paid, the oldest first, with the average as a line. */
export const PayChart = ({
  bars,
  average,
  today,
}: {
  readonly bars: readonly PaidBar[]
  readonly average: number
  readonly today: Day
}) => {
  const [width, height, foot] = [340, 70, 4]
  const x = scaleBand(
    bars.map((_, i) => String(i)),
    [0, width],
  ).padding(0.25)
  const y = scaleLinear([0, Math.max(max(bars, (b) => b.days) ?? 0, average, 1)], [height - foot, 4])
  return (
    <svg
      role="img"
      aria-label={`Days to pay the last ${bars.length} invoices: ${bars.map((b) => `${b.days} in ${formatDayShort(b.on, today)}`).join(', ')}; ${Math.round(average)} on average`}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-85"
    >
      {bars.map((b, i) => (
        <rect
          key={i}
          x={x(String(i))}
          width={x.bandwidth()}
          y={y(b.days)}
          height={Math.max(y(0) - y(b.days), 1)}
          fill={b.days > average ? 'var(--color-oxide-500)' : 'var(--color-slate-400)'}
        >
          <title>{`${formatDayShort(b.on, today)}: ${sayDays(b.days)}`}</title>
        </rect>
      ))}
      <line x1={0} x2={width} y1={y(average)} y2={y(average)} stroke="var(--color-iron-900)" strokeDasharray="4 3" />
      <line x1={0} x2={width} y1={height - foot} y2={height - foot} stroke="var(--color-iron-900)" />
    </svg>
  )
}

interface RateBar {
  readonly month: Day
  readonly agreed: number
  readonly lost: number
  readonly open: number
}

const nameOf = ({ month }: RateBar): string => `${formatMonth(month)} ${month.slice(0, 4)}`

/** Estimates of each month as one column: accepted below, then lost, then still open. */
export const OfferChart = ({ bars }: { readonly bars: readonly RateBar[] }) => {
  const [width, height, foot] = [720, 170, 22]
  const x = scaleBand(
    bars.map((b) => b.month),
    [0, width],
  ).padding(0.3)
  const y = scaleLinear([0, Math.max(max(bars, (b) => b.agreed + b.lost + b.open) ?? 0, 1)], [height - foot, 12])
  const parts = [
    { name: 'Accepted', fill: 'var(--color-patina-700)', of: (b: RateBar) => b.agreed },
    { name: 'Lost', fill: 'var(--color-oxide-500)', of: (b: RateBar) => b.lost },
    { name: 'Open', fill: 'var(--color-paper-200)', of: (b: RateBar) => b.open },
  ]
  return (
    <>
      <svg
        role="img"
        aria-label={`Estimates by month: ${bars.map((b) => `${nameOf(b)} ${b.agreed} accepted, ${b.lost} lost, ${b.open} open`).join('; ')}`}
        viewBox={`0 0 ${width} ${height}`}
        className="w-full max-w-215"
      >
        {bars.map((b) => {
          let base = 0
          return (
            <g key={b.month}>
              {parts.map((p) => {
                const from = base
                base += p.of(b)
                return (
                  <rect
                    key={p.name}
                    x={x(b.month)}
                    width={x.bandwidth()}
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
              <text
                x={(x(b.month) ?? 0) + x.bandwidth() / 2}
                y={height - 6}
                textAnchor="middle"
                fontSize="11"
                fill="var(--color-iron-500)"
              >
                {formatMonth(b.month)}
              </text>
            </g>
          )
        })}
        <line x1={0} x2={width} y1={height - foot} y2={height - foot} stroke="var(--color-iron-900)" />
      </svg>
      <p className="sub flex gap-5">
        {parts.map((p) => (
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
