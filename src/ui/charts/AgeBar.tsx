import { present } from '@/core/present'
import { cumsum } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { formatMoney } from '@/core/money'
import { AGE_COLUMNS, type AgeColumn, type Ages } from '@/core/receivables'
import { To } from '../To'
import { size } from './Plot'

const AGE_FILL: Readonly<Record<AgeColumn, string>> = {
  notDue: 'var(--color-slate-400)',
  d1to30: 'var(--color-oxide-400)',
  d31to60: 'var(--color-oxide-500)',
  d61to90: 'var(--color-oxide-700)',
  over90: 'var(--color-oxide-900)',
}

interface Props {
  readonly ages: Ages
  /** Where an age opens into whom it is of. */
  readonly hrefOf: (column: AgeColumn) => string
  readonly names: Readonly<Record<AgeColumn, string>>
}

/** What is owed by age, as one bar with its figures under it. */
export const AgeBar = ({ ages, names, hrefOf }: Props) => {
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
