'use client'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import type { AnswerTo } from '@/contract/calls'
import { Choice } from '../Choice'
import { DayField } from '../fields'
import { Refusal } from '../Refusal'
import { call, useSend } from '../send'

type Quotes = AnswerTo<'POST', '/carrier/quotes'>

interface Props {
  readonly pickId: number
  readonly today: Day
  readonly customer: string
  readonly address: string
  readonly parcels: readonly { readonly weight: string; readonly size: string }[]
  /** Nothing is said yet of what was picked: it goes as it is proposed. */
  readonly unpicked: boolean
}

/** How it goes: with a service of the carrier at its price, by the owner's own delivery, or across the counter. */
export const SendDesk = ({ pickId, today, customer, address, parcels, unpicked }: Props) => {
  const [on, setOn] = useState<string>(today)
  const [quotes, setQuotes] = useState<Quotes>([])
  const [chosen, setHow] = useState<string | null>(null)
  const { send, busy, refused } = useSend()
  const asked = JSON.stringify(parcels)
  useEffect(() => {
    if (parcels.length === 0) return
    let gone = false
    void call('POST', '/carrier/quotes', { to: { address }, parcels: [...parcels] }).then((read) => {
      if (!gone && read.ok) setQuotes(read.value)
    })
    return () => {
      gone = true
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked again when what is in the parcels changes
  }, [address, asked])
  const options = [
    ...quotes.map((q) => ({
      value: q.service,
      label: `${q.carrier} ${q.service}: ${formatDigits(q.price)}, ${q.days} ${q.days === 1 ? 'day' : 'days'}`,
    })),
    { value: 'delivery', label: 'Delivered by us' },
    { value: 'counter', label: 'Picked up' },
  ]
  // Parcels go with the cheapest service unless another way is chosen; until it is quoted nothing goes at all.
  const how = chosen ?? (parcels.length > 0 ? (quotes[0]?.service ?? null) : 'counter')
  const service = quotes.find((q) => q.service === how)?.service
  const go = () =>
    send(
      'POST',
      `/picks/${pickId}/send`,
      { on, ...(service ? { service } : { by: how === 'delivery' ? 'delivery' : 'counter' }) },
      {
        say: (h) => `${h.number}: handed over to ${customer}${service ? ' and booked with the carrier' : ''}.`,
        go: (h) => `/handovers/${h.id}`,
      },
    )
  return (
    <section>
      <h2>{parcels.length > 0 ? 'Send' : 'Hand over'}</h2>
      {unpicked && <p className="sub mb-2">Nothing is saved as picked yet: it goes as it is listed above.</p>}
      {parcels.length > 0 && <p className="mb-2">To {address.replace(/\n/g, ', ') || 'no address yet'}</p>}
      <Refusal refused={refused} />
      <Choice label="How it goes" value={how ?? ''} onChoose={setHow} options={options} />
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <span className="w-37.5">
          <DayField label="Date" today={today} value={on} onValue={setOn} />
        </span>
        <button
          className={`btn ${parcels.length > 0 ? 'btn-do' : ''}`}
          data-primary={parcels.length > 0 ? true : undefined}
          disabled={busy || how === null}
          onClick={() => void go()}
        >
          {service ? 'Send' : 'Hand over'}
        </button>
      </div>
    </section>
  )
}
