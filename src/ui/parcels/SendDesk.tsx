'use client'
import { addressLine } from '@/core/people'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import type { AnswerTo } from '@/contract/calls'
import { Choice } from '../Choice'
import { DayField, MoneyField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
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
  /** Fewer were picked than are wanted. */
  readonly isShort: boolean
  readonly currency: string
}

/** How it goes: with a service of the carrier at its price, by the owner's own delivery, or across the counter. */
export const SendDesk = ({ pickId, today, customer, address, parcels, unpicked, isShort, currency }: Props) => {
  const [on, setOn] = useState<string>(today)
  const [quotes, setQuotes] = useState<Quotes>([])
  const [chosen, setHow] = useState<string | null>(null)
  const [freight, setFreight] = useState('')
  const [rest, setRest] = useState<'stays' | 'off'>('stays')
  const [reason, setReason] = useState('')
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
    // oxlint-disable-next-line react/exhaustive-deps -- asked again when what is in the parcels changes
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
      {
        on,
        ...(service ? { service } : { by: how === 'delivery' ? 'delivery' : 'counter' }),
        ...(freight.trim() === '' ? {} : { freight: freight.trim() }),
        ...(isShort && rest === 'off' ? { strikeOff: reason } : {}),
      },
      {
        say: (h) => `${h.number}: handed over to ${customer}${service ? ' and booked with the carrier' : ''}.`,
        go: (h) => `/handovers/${h.id}`,
      },
    )
  return (
    <section>
      <h2>{parcels.length > 0 ? 'Send' : 'Hand over'}</h2>
      {unpicked && <p className="sub mb-2">Nothing is saved as picked yet: it goes as it is listed above.</p>}
      {parcels.length > 0 && <p className="mb-2">To {addressLine(address) || 'no address yet'}</p>}
      <Refusal refused={refused} />
      <Choice label="How it goes" value={how ?? ''} onChoose={setHow} options={options} />
      {isShort && (
        <div className="mt-3">
          <Choice
            label="What was not found"
            value={rest}
            onChoose={(v) => setRest(v === 'off' ? 'off' : 'stays')}
            options={[
              { value: 'stays', label: 'Stays to be handed over' },
              { value: 'off', label: 'Is struck off the order' },
            ]}
          />
          {rest === 'off' && (
            <Text label="Reason" value={reason} maxLength={200} onChange={(e) => setReason(e.target.value)} />
          )}
        </div>
      )}
      <div className="mt-3 flex flex-wrap items-end gap-3">
        {how !== 'counter' && (
          <span className="w-37.5">
            <MoneyField
              label="Freight charged"
              currency={currency}
              value={freight}
              onValue={setFreight}
              problem={messageFor(refused, 'freight')}
            />
          </span>
        )}
        <span className="w-37.5">
          <DayField label="Date" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
        </span>
        <button
          className={`btn ${parcels.length > 0 ? 'btn-do' : ''}`}
          data-primary={parcels.length > 0 ? true : undefined}
          disabled={busy || how === null || (isShort && rest === 'off' && reason.trim() === '')}
          onClick={() => void go()}
        >
          {service ? 'Send' : 'Hand over'}
        </button>
      </div>
    </section>
  )
}
