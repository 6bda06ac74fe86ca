'use client'

import { type zeroMoney, subtractMoney, type Money, percentOf, formatMoney, isPositiveMoney } from '@/core/money'
import { readTyped } from './filling'
import type { OpenNow } from './openNow'

/** What the customer owes before and after, as two bars to one scale. */
export const Afterwards = ({
  now,
  onDues,
  onLate,
  currency,
}: {
  readonly now: OpenNow
  readonly onDues: ReturnType<typeof zeroMoney>
  readonly onLate: ReturnType<typeof zeroMoney>
  readonly currency: string
}) => {
  const owed = readTyped(now.owed, currency)
  const late = readTyped(now.late, currency)
  const rows = [
    { name: 'Now', owed, late },
    { name: 'After', owed: subtractMoney(owed, onDues), late: subtractMoney(late, onLate) },
  ]
  const width = (part: Money) => percentOf(part, owed)
  return (
    <section className="mt-6">
      <h2>After this payment</h2>
      {rows.map((r) => (
        <div key={r.name} className="flex items-center gap-3 py-1">
          <span className="w-12">{r.name}</span>
          <div aria-hidden className="flex h-4.5 flex-1">
            <div className="bg-slate-400" style={{ width: `${width(subtractMoney(r.owed, r.late))}%` }} />
            <div className="bg-oxide-700" style={{ width: `${width(r.late)}%` }} />
          </div>
          <span className="fig w-30">{formatMoney(r.owed)}</span>
          <span className="sub w-30 text-right">
            {isPositiveMoney(r.late) ? `${formatMoney(r.late)} late` : 'Nothing late'}
          </span>
        </div>
      ))}
    </section>
  )
}
