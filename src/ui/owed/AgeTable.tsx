'use client'
import { present } from '@/core/present'
import Link from 'next/link'
import { useState } from 'react'
import { toast } from 'sonner'
import { formatMoney, money, subtractMoney, zeroMoney, type Money } from '@/core/money'
import { AGE_COLUMNS, type AgeColumn } from '@/core/receivables'
import { Figure } from '../Figure'
import { MoneyBar } from '../MoneyBar'
import { call } from '../send'

export type AgeFigures = Readonly<Record<AgeColumn | 'total' | 'held' | 'onAccount', string>>
export interface AgeRow extends AgeFigures {
  readonly key: string
  readonly customerId: number | null
  readonly name: string
  readonly href: string
}

interface Props {
  readonly rows: readonly AgeRow[]
  readonly totals: AgeFigures
  readonly names: Readonly<Record<AgeColumn, string>>
  readonly what: string
  readonly totalOf: string
  readonly currency: string
  /** Letters can be written where each row is one customer. */
  readonly letters: boolean
}

interface Many {
  readonly written: number
  readonly skipped: readonly { readonly name: string; readonly why: string }[]
}

/** Who (or what) owes how much by age, with letters to those chosen. Amounts come as minor units. */
export const AgeTable = ({ rows, totals, names, what, totalOf, currency, letters }: Props) => {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set())
  const [busy, setBusy] = useState(false)
  const [told, setTold] = useState<Many | null>(null)
  const m = (minor: string): Money => money(BigInt(minor), currency)
  const none = zeroMoney(currency)
  const toggle = (id: number, on: boolean) => {
    const next = new Set(chosen)
    if (on) next.add(id)
    else next.delete(id)
    setChosen(next)
  }
  const write = async (kind: 'statement' | 'open-items' | 'reminder') => {
    setBusy(true)
    const done = await call<Many>('POST', '/letters/many', { customers: [...chosen], what: kind })
    setBusy(false)
    if (!done.ok) return toast(done.detail)
    setTold(done.value)
    toast(`${done.value.written} ${done.value.written === 1 ? 'letter waits' : 'letters wait'} in Post.`)
    setChosen(new Set())
  }
  return (
    <>
      {letters && rows.length > 0 && (
        <p className="no-print mb-2 flex flex-wrap items-center gap-2">
          <button
            className="btn"
            onClick={() =>
              setChosen(
                chosen.size > 0
                  ? new Set()
                  : new Set(rows.filter((r) => r.total !== '0').map((r) => present(r.customerId))),
              )
            }
          >
            {chosen.size > 0 ? 'Choose nobody' : 'Choose all who owe'}
          </button>
          <span className="sub">{chosen.size} chosen</span>
          <button className="btn" disabled={busy || chosen.size === 0} onClick={() => void write('statement')}>
            Mail statements
          </button>
          <button className="btn" disabled={busy || chosen.size === 0} onClick={() => void write('open-items')}>
            Mail what is open
          </button>
          <button className="btn" disabled={busy || chosen.size === 0} onClick={() => void write('reminder')}>
            Remind them
          </button>
        </p>
      )}
      {told && told.skipped.length > 0 && (
        <ul role="status" className="mb-3 border-l-4 border-brass-600 bg-brass-100 px-3 py-2">
          {told.skipped.map((s, i) => (
            <li key={i}>
              <b>{s.name}</b>: {s.why}
            </li>
          ))}
        </ul>
      )}
      <div className="overflow-x-auto">
        <table className="ledger">
          <thead>
            <tr>
              {letters && (
                <th scope="col" className="w-8">
                  <span className="sr-only">Chosen</span>
                </th>
              )}
              <th scope="col">{what}</th>
              <th scope="col" className="w-[120px]">
                Where it stands
              </th>
              {AGE_COLUMNS.map((c) => (
                <th key={c} scope="col" className="r">
                  {names[c]}
                </th>
              ))}
              <th scope="col" className="r">
                Owed
              </th>
              <th scope="col" className="r">
                Held
              </th>
              <th scope="col" className="r">
                On account
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.key} className="row">
                {letters && (
                  <td className="relative z-10">
                    <input
                      type="checkbox"
                      aria-label={`Write to ${r.name}`}
                      checked={chosen.has(present(r.customerId))}
                      onChange={(e) => toggle(present(r.customerId), e.target.checked)}
                    />
                  </td>
                )}
                <td className="max-w-[220px] truncate">
                  <Link prefetch={false} data-row className="cover" href={r.href} scroll={false}>
                    {r.name}
                  </Link>
                </td>
                <td>
                  <MoneyBar
                    small
                    bar={{
                      earned: none,
                      held: money(BigInt(r.held) + BigInt(r.onAccount), currency),
                      notDue: m(r.notDue),
                      late: subtractMoney(m(r.total), m(r.notDue)),
                      toCome: none,
                      total: money(BigInt(r.held) + BigInt(r.onAccount) + BigInt(r.total), currency),
                      heldBeyond: none,
                    }}
                  />
                </td>
                {AGE_COLUMNS.map((c) => (
                  <td key={c} className="r">
                    <Figure of={m(r[c])} blankZero />
                  </td>
                ))}
                <td className="r">
                  <Figure of={m(r.total)} className="font-bold" />
                </td>
                <td className="r">
                  <Figure of={m(r.held)} blankZero className="text-brass-700" />
                </td>
                <td className="r">
                  <Figure of={m(r.onAccount)} blankZero className="text-brass-700" />
                </td>
              </tr>
            ))}
          </tbody>
          <tbody>
            <tr className="total">
              {letters && <td />}
              <td />
              <td className="r">{totalOf}</td>
              {([...AGE_COLUMNS, 'total', 'held', 'onAccount'] as const).map((k) => (
                <td key={k} className="fig">
                  {formatMoney(m(totals[k]))}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </>
  )
}
