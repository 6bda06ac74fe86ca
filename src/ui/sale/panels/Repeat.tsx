'use client'
import { Select } from '../../Select'
import { useState } from 'react'
import { addMonths, formatDay } from '@/core/day'
import { DayField, QuantityField } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps } from './parts'

const EVERY = {
  week: 'every week',
  'two-weeks': 'every two weeks',
  month: 'every month',
  quarter: 'every three months',
  'half-year': 'every six months',
  year: 'every year',
} as const
const MAKES = { offer: 'an estimate', order: 'an order', invoice: 'an invoice' } as const

interface Draft {
  readonly every: keyof typeof EVERY
  readonly firstOn: string
  readonly makes: keyof typeof MAKES
  readonly times: string
  readonly until: string
  readonly byItself: boolean
}

/** The sale comes again: how often, from when, until when, as what. */
export const Repeat = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [r, setR] = useState<Draft>({
    every: 'month',
    firstOn: String(addMonths(today, 1)),
    makes: 'invoice',
    times: '',
    until: '',
    byItself: false,
  })
  const set = (change: Partial<Draft>) => setR({ ...r, ...change })
  const go = async () => {
    const { times, until, ...plain } = r
    const done = await send(
      'POST',
      `/sales/${sale.id}/repeats`,
      { ...plain, times: /^\d+$/.test(times) ? Number(times) : null, until: until || null },
      { say: (x) => `It comes again, first on ${formatDay(x.nextOn ?? x.firstOn)}.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">What is on this sale is written again on each day, at the prices of that day.</p>
      <div className="grid grid-cols-2 gap-3">
        <Select label="How often" value={r.every} options={EVERY} onValue={(every) => set({ every })} />
        <DayField
          label="First on"
          today={today}
          value={r.firstOn}
          onValue={(firstOn) => set({ firstOn })}
          problem={messageFor(refused, 'firstOn')}
        />
        <Select label="As" value={r.makes} options={MAKES} onValue={(makes) => set({ makes })} />
        <QuantityField label="Times, if it ends" value={r.times} onValue={(times) => set({ times })} />
        <DayField
          label="or until"
          today={today}
          value={r.until}
          onValue={(until) => set({ until })}
          problem={messageFor(refused, 'until')}
        />
      </div>
      <fieldset className="mt-3">
        <legend className="sr-only">How it goes out</legend>
        <label className="flex gap-2 py-1">
          <input type="radio" name="by-itself" checked={!r.byItself} onChange={() => set({ byItself: false })} />{' '}
          prepared for a look first
        </label>
        <label className="flex gap-2 py-1">
          <input type="radio" name="by-itself" checked={r.byItself} onChange={() => set({ byItself: true })} /> issued
          and mailed by itself
        </label>
      </fieldset>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <Submit busy={busy} onDo={() => void go()}>
        Let it come again
      </Submit>
    </>
  )
}
