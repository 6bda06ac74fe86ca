'use client'
import { rhythm } from '../arrangementDraft'
import { useEffect, useState } from 'react'
import { addMonths } from '@/core/day'
import { MethodChoice } from '../../money/MethodChoice'
import type { Method } from '@/core/ledger'
import { DayField, MoneyField, QuantityField, showMoney, Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { call, useSend } from '../../send'
import { EVERY } from '../arrangementDraft'
import { Submit, type PanelProps } from './parts'

/** Which plan, where a sale has several that run. */
const WhichPlan = ({
  sale,
  planId,
  onPlan,
}: Pick<PanelProps, 'sale'> & { readonly planId: number | undefined; readonly onPlan: (id: number) => void }) =>
  sale.promise.plans.length < 2 ? null : (
    <label className="mb-3 block">
      <span className="label">Which plan</span>
      <select className="field" value={planId} onChange={(e) => onPlan(Number(e.target.value))}>
        {sale.promise.plans.map((p) => (
          <option key={p.id} value={p.id}>
            {p.number}
          </option>
        ))}
      </select>
    </label>
  )

interface Quote {
  readonly open: string
  readonly earned: string
  readonly givenBack: string
  readonly payoff: string
}

/** Pays a plan off early: what it takes, and what is given back. */
export const PayOff = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [planId, setPlanId] = useState(sale.promise.plans[0]?.id)
  const [on, setOn] = useState<string>(today)
  const [method, setMethod] = useState<Method>('transfer')
  const [quote, setQuote] = useState<Quote | null>(null)
  useEffect(() => {
    let gone = false
    void call('POST', `/sales/${sale.id}/installments/quote`, { on, planId }).then(
      (q) => !gone && setQuote(q.ok ? q.value : null),
    )
    return () => {
      gone = true
    }
  }, [sale.id, planId, on])
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/installments/payoff`,
      { on, planId, method },
      { say: (p) => `Paid off with ${p.payoff}; ${p.givenBack} of the charge given back.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <WhichPlan sale={sale} planId={planId} onPlan={setPlanId} />
      <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      {quote && (
        <dl className="my-4 grid grid-cols-[1fr_auto] gap-y-1 bg-paper-100 px-3 py-2.5">
          <dt>Open on the plan, charge included</dt>
          <dd className="fig">{showMoney(quote.open, sale.currency)}</dd>
          <dt>Charge not earned by then, given back</dt>
          <dd className="fig">−{showMoney(quote.givenBack, sale.currency)}</dd>
          <dt className="border-t border-iron-900 pt-1 font-bold">Settles it</dt>
          <dd className="fig border-t border-iron-900 pt-1 font-bold">{showMoney(quote.payoff, sale.currency)}</dd>
        </dl>
      )}
      <MethodChoice label="How it comes" method={method} onMethod={setMethod} />
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Take it and end the plan
      </Submit>
    </>
  )
}

/** New rows for what is open. */
export const Reschedule = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [planId, setPlanId] = useState(sale.promise.plans[0]?.id)
  const [count, setCount] = useState('12')
  const [every, setEvery] = useState('month')
  const [firstDue, setFirstDue] = useState<string>(addMonths(today, 1))
  const [flat, setFlat] = useState('')
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/installments/reschedule`,
      { planId, count: Number(count), every: rhythm(every), firstDue, ...(flat ? { charge: { flat } } : {}) },
      { say: (p) => `Arranged anew: ${p.totalPayments} in ${count} payments.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">
        The old rows end and stay readable; what is open of them goes into new rows, to the cent. The charge that is
        open comes along, unless you make a new one.
      </p>
      <WhichPlan sale={sale} planId={planId} onPlan={setPlanId} />
      <div className="grid grid-cols-2 gap-3">
        <QuantityField label="Payments" value={count} onValue={setCount} problem={messageFor(refused, 'count')} />
        <label>
          <span className="label">How often</span>
          <select className="field" value={every} onChange={(e) => setEvery(e.target.value)}>
            {EVERY.map((e) => (
              <option key={e.value} value={e.value}>
                {e.label}
              </option>
            ))}
          </select>
        </label>
        <DayField
          label="The first is due"
          today={today}
          value={firstDue}
          onValue={setFirstDue}
          problem={messageFor(refused, 'firstDue')}
        />
        <MoneyField label="A charge made anew" currency={sale.currency} value={flat} onValue={setFlat} />
      </div>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Arrange it anew
      </Submit>
    </>
  )
}

/** A card kept for the plan, to collect from by itself. */
export const KeepCard = ({ sale, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [planId, setPlanId] = useState(sale.promise.plans[0]?.id)
  const [number, setNumber] = useState('')
  const kept = sale.promise.plans.find((p) => p.id === planId)?.card ?? ''
  const go = async (forget: boolean) => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/installments/card`,
      { planId, ...(forget ? {} : { number }) },
      {
        say: () => (forget ? 'The card is forgotten.' : 'The card is kept: each row is collected on its day.'),
      },
    )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">
        Each row is collected on its day. When the card refuses, the row stays open, Today says why, and it is tried
        again after three days. The number itself is not kept.
      </p>
      <WhichPlan sale={sale} planId={planId} onPlan={setPlanId} />
      {kept && <p className="mb-3">A card that ends in {kept} is kept now.</p>}
      <Text
        label="Card number"
        inputMode="numeric"
        autoComplete="off"
        value={number}
        maxLength={23}
        onChange={(e) => setNumber(e.target.value)}
        problem={messageFor(refused, 'number')}
      />
      <Refusal refused={refused} />
      {kept && (
        <button className="btn mt-4 w-full" disabled={busy} onClick={() => void go(true)}>
          Forget the card
        </button>
      )}
      <Submit busy={busy} onDo={() => void go(false)}>
        Keep the card
      </Submit>
    </>
  )
}
