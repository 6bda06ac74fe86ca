'use client'
import { present } from '@/core/present'
import { useEffect, useRef, useState } from 'react'
import { formatDay } from '@/core/day'
import { formatMoney, money } from '@/core/money'
import {
  EXPECTED_WEEKS,
  forecastInput,
  type ForecastFacts,
  type ForecastInput,
  type ForecastWeek,
} from '@/core/receivables'
import type { ForecastMessage } from '@/workers/forecast.worker'
import { FigureCell } from '../FigureCell'
import { QuantityField } from '../fields'
import type { Packed } from '../pack'
import { To } from '../To'
import { useUnpacked } from '../useUnpacked'
import { WorkProgress } from '../WorkProgress'
import { BandChart } from '@/ui/charts/BandChart'
import { LedgerHead, right } from '@/ui/LedgerHead'

interface Props {
  /** How each customer ever paid is thousands of numbers. */
  readonly facts: Packed<ForecastFacts>
  readonly customers: readonly { readonly id: number; readonly name: string }[]
  readonly currency: string
  readonly runs: number
}

/** The simulation, in a worker: the band by week, and what would change if one customer paid later. */
export const ExpectedMoney = ({ facts: packedFacts, customers, currency, runs }: Props) => {
  const facts = useUnpacked(packedFacts)
  const [customer, setCustomer] = useState('')
  const [days, setDays] = useState('30')
  const later = customer === '' ? undefined : { [Number(customer)]: Math.trunc(Number(days)) || 0 }
  const usual = useForecast(facts, runs, undefined)
  const changed = useForecast(facts, runs, later)
  const name = customers.find((c) => String(c.id) === customer)?.name
  const m = (minor: bigint) => formatMoney(money(minor, currency))
  const sum = (weeks: readonly ForecastWeek[], pick: (w: ForecastWeek) => bigint) =>
    weeks.reduce((s, w) => s + pick(w), 0n)
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_300px]">
      <section>
        <h2>The next {EXPECTED_WEEKS} weeks</h2>
        {usual.weeks ? (
          <BandChart
            weeks={usual.weeks}
            other={later && changed.weeks ? changed.weeks : null}
            currency={currency}
            today={facts.today}
          />
        ) : (
          <WorkProgress {...usual} />
        )}
        {usual.weeks && (
          <table className="ledger list small mt-4 max-w-160">
            <LedgerHead
              heads={[
                'Week of',
                right('Low (9 in 10 above)'),
                right('Expected'),
                right('High (9 in 10 below)'),
                !!(later && changed.weeks) && right(`If ${name} pays later`),
              ]}
            />
            <tbody>
              {usual.weeks.map((w, i) => (
                <tr key={w.week}>
                  <td className="first">{formatDay(w.week)}</td>
                  <FigureCell head="Low (9 in 10 above)" className="text-iron-500">
                    {m(w.low)}
                  </FigureCell>
                  <td className="fig main font-bold">{m(w.median)}</td>
                  <FigureCell head="High (9 in 10 below)" className="text-iron-500">
                    {m(w.high)}
                  </FigureCell>
                  {later && changed.weeks && (
                    <FigureCell head={`If ${name} pays later`}>{m(present(changed.weeks[i]).median)}</FigureCell>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <aside>
        <h2>What if</h2>
        <label>
          <span className="label">This customer</span>
          <select className="field" value={customer} onChange={(e) => setCustomer(e.target.value)}>
            <option value="">Everyone pays on their usual day</option>
            {customers.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </select>
        </label>
        {customer !== '' && (
          <div className="mt-3">
            <QuantityField label="Pays later by (days)" value={days} onValue={setDays} />
            {!changed.weeks ? (
              <WorkProgress {...changed} />
            ) : (
              usual.weeks && (
                <p className="mt-3" role="status">
                  In the first four weeks {m(sum(changed.weeks.slice(0, 4), (w) => w.median))} would arrive instead of{' '}
                  {m(sum(usual.weeks.slice(0, 4), (w) => w.median))}.
                </p>
              )
            )}
          </div>
        )}
        <p className="sub mt-5">
          How this is calculated: each{' '}
          <To className="underline" href="/invoices?state=open&sort=due">
            unpaid amount
          </To>{' '}
          is simulated {runs} times with delays this customer had before (or everyone’s, if fewer than three). The line
          is the middle result; in 9 of 10 simulations the money is above the lower edge.
        </p>
      </aside>
    </div>
  )
}

/** Runs the simulation in a worker each time its input changes; the one before is ended. */
const useForecast = (facts: ForecastFacts, runs: number, later: ForecastInput['later']) => {
  const [state, setState] = useState<{ weeks: readonly ForecastWeek[] | null; done: number; stopped: boolean }>({
    weeks: null,
    done: 0,
    stopped: false,
  })
  const [turn, setTurn] = useState(0)
  const worker = useRef<Worker | null>(null)
  const asked = JSON.stringify(later ?? null)
  useEffect(() => {
    const w = new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' })
    worker.current = w
    w.onmessage = ({ data }: MessageEvent<ForecastMessage>) =>
      setState(
        data.kind === 'done'
          ? { weeks: data.weeks, done: 1, stopped: false }
          : { weeks: null, done: data.done, stopped: false },
      )
    w.postMessage(forecastInput(facts, { weeks: EXPECTED_WEEKS, runs, later: JSON.parse(asked) ?? undefined }))
    return () => w.terminate()
  }, [facts, runs, asked, turn])
  return {
    ...state,
    stop: () => {
      worker.current?.terminate()
      setState({ weeks: null, done: 0, stopped: true })
    },
    again: () => {
      setState({ weeks: null, done: 0, stopped: false })
      setTurn(turn + 1)
    },
  }
}
