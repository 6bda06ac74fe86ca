'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly today: Day
  readonly openedOn: Day
  readonly pricesIncludeTax: boolean
  /** Whether anything is posted: the opening day stays from then on. */
  readonly posted: boolean
}

/** The opening day, until something is posted, and how new sales show their prices. */
export const OpeningForm = ({ today, openedOn, pricesIncludeTax, posted }: Props) => {
  const [day, setDay] = useState<string>(openedOn)
  const [withTax, setWithTax] = useState(pricesIncludeTax)
  const { send, busy, refused } = useSend()
  const change = { pricesIncludeTax: withTax, ...(posted ? {} : { openingDate: day }) }
  return (
    <section className="grid gap-3">
      <h2>Books and prices</h2>
      {posted ? (
        <p className="sub">The books opened on the day they were set up with; something is posted, so that stays.</p>
      ) : (
        <DayField
          label="The books open on"
          today={today}
          value={day}
          onValue={setDay}
          problem={messageFor(refused, 'openingDate')}
        />
      )}
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={withTax} onChange={(e) => setWithTax(e.target.checked)} /> Prices of new sales
        include tax
      </label>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <p>
        <button
          className="btn"
          disabled={busy}
          onClick={() => void send('PATCH', '/settings', change, { say: () => 'Kept.' })}
        >
          Keep
        </button>
      </p>
    </section>
  )
}
