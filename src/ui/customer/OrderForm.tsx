'use client'
import { useEffect, useRef, useState } from 'react'
import type { BasketView } from '@/services/shopfront/readShop'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useAsk } from './ask'
import { CardFields } from './CardFields'
import type { useBasket } from './useBasket'

export interface Ordered {
  readonly number: number
  readonly paid: boolean
  readonly why?: string
  /** Where it was paid at once. */
  readonly receipt?: { readonly number: string; readonly amount: string }
  /** What was ordered, as it stood when it was. */
  readonly basket: BasketView
}

interface Props {
  readonly basket: BasketView
  readonly change: ReturnType<typeof useBasket>['change']
  readonly onOrdered: (ordered: Ordered) => void
}

const factsOf = ({ name, email, phone, deliverTo, note }: BasketView) => ({ name, email, phone, deliverTo, note })

const holdsTheSame = (one: BasketView, other: BasketView): boolean => {
  const what = ({ lines }: BasketView) => JSON.stringify(lines.map((l) => [l.goodsId, l.quantity, l.price]))
  return what(one) === what(other)
}

/** Who an order is for, where it goes, and how it is paid. The owner sees it as it is typed. */
export const OrderForm = ({ basket, change, onOrdered }: Props) => {
  const [facts, setFacts] = useState(factsOf(basket))
  const [touched, setTouched] = useState(false)
  const [pay, setPay] = useState<'card' | 'bill'>('card')
  const [card, setCard] = useState('')
  const { post, busy, refused } = useAsk()
  const telling = useAsk()
  const latest = useRef(facts)
  // What the owner writes down on the phone shows here too, as long as nobody types over it.
  useEffect(() => {
    if (touched) return
    latest.current = factsOf(basket)
    setFacts(latest.current)
  }, [basket, touched])
  const set = (typed: Partial<typeof facts>) => {
    latest.current = { ...latest.current, ...typed }
    setTouched(true)
    setFacts(latest.current)
  }
  const tell = async (): Promise<BasketView | null> => {
    let told = latest.current
    const now = await change(() => {
      told = latest.current
      return telling.post('/api/shop/basket', told)
    })
    // What was typed while it was on its way is still to be told.
    if (now && told === latest.current) setTouched(false)
    return now
  }
  const order = async () => {
    // What was on the screen when Order was pressed is ordered, and nothing that came meanwhile.
    const seen = basket
    const told = await tell()
    if (!told) return
    const done = await post<Omit<Ordered, 'basket'>>('/api/shop/order', {
      turn: holdsTheSame(seen, told) ? told.turn : seen.turn,
      total: seen.totals.gross,
      pay,
      ...(pay === 'card' ? { card } : {}),
    })
    if (done) onOrdered({ ...done, basket: told })
  }
  const wrong = telling.refused ?? refused
  const text = (label: string, key: 'name' | 'email' | 'phone', extra: object) => (
    <Text
      label={label}
      value={facts[key]}
      maxLength={200}
      onChange={(e) => set({ [key]: e.target.value })}
      onBlur={() => touched && void tell()}
      problem={messageFor(wrong, key)}
      {...extra}
    />
  )
  return (
    <form
      className="mt-5 grid gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        void order()
      }}
    >
      {text('Your name', 'name', { autoComplete: 'name' })}
      {text('Email', 'email', { type: 'email', autoComplete: 'email' })}
      {text('Phone', 'phone', { autoComplete: 'tel' })}
      <label>
        <span className="label">Delivery address (leave empty to pick up)</span>
        <textarea
          className="field"
          rows={3}
          maxLength={500}
          value={facts.deliverTo}
          onChange={(e) => set({ deliverTo: e.target.value })}
          onBlur={() => touched && void tell()}
        />
      </label>
      <label>
        <span className="label">Anything you want to tell us</span>
        <textarea
          className="field"
          rows={2}
          maxLength={2000}
          value={facts.note}
          onChange={(e) => set({ note: e.target.value })}
          onBlur={() => touched && void tell()}
        />
      </label>
      <fieldset className="flex gap-6">
        <legend className="label">You pay</legend>
        <label className="flex gap-2">
          <input type="radio" name="pay" checked={pay === 'card'} onChange={() => setPay('card')} /> Now, by card
        </label>
        <label className="flex gap-2">
          <input type="radio" name="pay" checked={pay === 'bill'} onChange={() => setPay('bill')} /> On invoice
        </label>
      </fieldset>
      {pay === 'card' && <CardFields card={card} onCard={setCard} />}
      <Refusal refused={wrong} besides={['name', 'email', 'phone']} />
      <button className="btn btn-do" disabled={busy}>
        Order
      </button>
    </form>
  )
}
