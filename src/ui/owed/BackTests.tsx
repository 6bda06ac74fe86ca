'use client'
import { useState } from 'react'
import { formatDay, type Day } from '@/core/day'
import { showMoney } from '../fields'
import { call } from '../send'
import { LedgerHead, right } from '@/ui/LedgerHead'

interface Tested {
  readonly from: Day
  readonly inside: number
  readonly weeks: number
  readonly expected: string
  readonly came: string
}

/** How good the forecast was: made again for the last months with what was known then, when it is asked for. */
export const BackTests = ({ currency }: { readonly currency: string }) => {
  const [tests, setTests] = useState<readonly Tested[] | null>(null)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState('')
  const ask = async () => {
    setBusy(true)
    const answer = await call('GET', '/expected/back-tests')
    setBusy(false)
    if (answer.ok) setTests(answer.value.items)
    else setProblem(answer.detail)
  }
  const sum = (pick: (t: Tested) => number): number => (tests ?? []).reduce((s, t) => s + pick(t), 0)
  return (
    <section className="mt-9">
      <h2>How accurate it was</h2>
      {tests === null ? (
        <p>
          <button className="btn" disabled={busy} onClick={() => void ask()}>
            {busy ? 'Checking …' : 'Check against recent months'}
          </button>{' '}
          <span className="text-oxide-700">{problem}</span>
        </p>
      ) : tests.length === 0 ? (
        <p className="sub">Not enough history yet.</p>
      ) : (
        <>
          <p className="mb-2" role="status">
            Forecast repeated for recent months with what was known then: {sum((t) => t.inside)} of{' '}
            {sum((t) => t.weeks)} weeks fell within the range.
          </p>
          <table className="ledger max-w-175">
            <LedgerHead
              heads={['Four weeks from', right('Expected'), right('Received'), right('Weeks within range')]}
            />
            <tbody>
              {tests.map((t) => (
                <tr key={t.from}>
                  <td>{formatDay(t.from)}</td>
                  <td className="fig">{showMoney(t.expected, currency)}</td>
                  <td className="fig">{showMoney(t.came, currency)}</td>
                  <td className="fig">
                    {t.inside} of {t.weeks}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  )
}
