'use client'
import { Minus, Plus } from 'lucide-react'
import { useEffect, useState } from 'react'
import { decimal, formatPrice } from '@/core/money'
import type { BasketView, ShopThing } from '@/services/shopfront/readShop'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useAsk } from './ask'
import { CardFields } from './CardFields'
import { useBasket } from './useBasket'

interface Props {
  readonly things: readonly ShopThing[]
  readonly start: BasketView | null
  readonly currency: string
  readonly withTax: boolean
}

interface Ordered {
  readonly number: number
  readonly paid: boolean
  readonly why?: string
}

/** The shopfront: things, the basket, who it is for, and the order. The basket follows the owner's hands too. */
export const Shop = ({ things, start, currency, withTax }: Props) => {
  const { post, get, busy, refused } = useAsk()
  const { basket, take } = useBasket(start, async () => {
    const read = await get<{ basket: BasketView | null }>('/api/shop/basket')
    return read.ok ? read.value.basket : undefined
  })
  const [ordered, setOrdered] = useState<Ordered | null>(null)
  const put = async (goodsId: number, quantity: number) =>
    take((await post<BasketView>('/api/shop/lines', { goodsId, quantity: String(Math.max(0, quantity)) })) ?? undefined)
  const inBasket = (goodsId: number) => Number(basket?.lines.find((l) => l.goodsId === goodsId)?.quantity ?? 0)
  if (ordered) return <Thanks ordered={ordered} />
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_380px]">
      <ul className="grid content-start gap-4 sm:grid-cols-2">
        {things.map((t) => (
          <li key={t.id} className="flex gap-3 border border-paper-300 bg-white p-3">
            {t.pictureFileId !== null && (
              // eslint-disable-next-line @next/next/no-img-element -- kept in the database, shown as it is
              <img
                src={`/api/shop/pictures/${t.pictureFileId}`}
                alt=""
                className="h-[76px] w-[76px] shrink-0 object-cover"
              />
            )}
            <div className="min-w-0 flex-1">
              <b className="block break-words">{t.name}</b>
              {t.note && <span className="sub block">{t.note}</span>}
              <span className="sub">
                {t.there === null ? '' : Number(t.there) > 0 ? 'in the shop' : 'made or ordered for you'}
              </span>
              <div className="mt-1 flex items-center justify-between gap-2">
                <span className="fig text-lg">{formatPrice(decimal(t.price), currency)}</span>
                <button
                  className="btn !min-h-[30px]"
                  disabled={busy}
                  aria-label={`Into the basket: ${t.name}`}
                  onClick={() => void put(t.id, inBasket(t.id) + 1)}
                >
                  Into the basket
                </button>
              </div>
            </div>
          </li>
        ))}
      </ul>
      <aside>
        <h2>Your basket</h2>
        {!basket || basket.lines.length === 0 ? (
          <p className="sub">Nothing in it yet.</p>
        ) : (
          <>
            <table className="ledger">
              <tbody>
                {basket.lines.map((l) => (
                  <tr key={l.goodsId}>
                    <td className="break-words">{l.name}</td>
                    <td className="whitespace-nowrap">
                      <button
                        aria-label={`${l.name}: one less`}
                        className="p-[5px]"
                        onClick={() => void put(l.goodsId, Number(l.quantity) - 1)}
                      >
                        <Minus size={14} />
                      </button>
                      <span className="fig inline-block min-w-6 text-center!">{l.quantity}</span>
                      <button
                        aria-label={`${l.name}: one more`}
                        className="p-[5px]"
                        onClick={() => void put(l.goodsId, Number(l.quantity) + 1)}
                      >
                        <Plus size={14} />
                      </button>
                    </td>
                    <td className="fig">{l.sum}</td>
                  </tr>
                ))}
                {!withTax && (
                  <tr>
                    <td colSpan={2} className="r border-0! text-iron-500">
                      tax
                    </td>
                    <td className="fig border-0!">{basket.totals.tax}</td>
                  </tr>
                )}
                <tr className="total">
                  <td colSpan={2} className="r">
                    total, {currency}
                  </td>
                  <td className="fig" aria-live="polite">
                    {basket.totals.gross}
                  </td>
                </tr>
              </tbody>
            </table>
            <OrderForm basket={basket} onBasket={take} onOrdered={setOrdered} />
          </>
        )}
        {refused && <Refusal refused={refused} />}
      </aside>
    </div>
  )
}

const OrderForm = ({
  basket,
  onBasket,
  onOrdered,
}: {
  readonly basket: BasketView
  readonly onBasket: (b: BasketView) => void
  readonly onOrdered: (o: Ordered) => void
}) => {
  const [facts, setFacts] = useState({
    name: basket.name,
    email: basket.email,
    phone: basket.phone,
    deliverTo: basket.deliverTo,
    note: basket.note,
  })
  const [touched, setTouched] = useState(false)
  const [pay, setPay] = useState<'card' | 'bill'>('card')
  const [card, setCard] = useState('')
  const { post, busy, refused } = useAsk()
  // What the owner writes down on the phone shows here too, as long as nobody types over it.
  useEffect(() => {
    if (!touched)
      setFacts({
        name: basket.name,
        email: basket.email,
        phone: basket.phone,
        deliverTo: basket.deliverTo,
        note: basket.note,
      })
  }, [basket, touched])
  const set = (change: Partial<typeof facts>) => {
    setTouched(true)
    setFacts({ ...facts, ...change })
  }
  const tell = async () => {
    const told = await post<BasketView>('/api/shop/basket', facts)
    if (told) {
      onBasket(told)
      setTouched(false)
    }
    return told
  }
  const order = async () => {
    const told = await tell()
    if (!told) return
    const done = await post<Ordered>('/api/shop/order', {
      turn: told.turn,
      pay,
      ...(pay === 'card' ? { card } : {}),
    })
    if (done) onOrdered(done)
  }
  const text = (label: string, key: 'name' | 'email' | 'phone', extra: object) => (
    <Text
      label={label}
      value={facts[key]}
      maxLength={200}
      onChange={(e) => set({ [key]: e.target.value })}
      onBlur={() => touched && void tell()}
      problem={messageFor(refused, key)}
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
      {text('E-mail', 'email', { type: 'email', autoComplete: 'email' })}
      {text('Phone', 'phone', { autoComplete: 'tel' })}
      <label>
        <span className="label">Deliver to, or leave empty to fetch it</span>
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
          <input type="radio" name="pay" checked={pay === 'card'} onChange={() => setPay('card')} /> now, by card
        </label>
        <label className="flex gap-2">
          <input type="radio" name="pay" checked={pay === 'bill'} onChange={() => setPay('bill')} /> when it is billed
        </label>
      </fieldset>
      {pay === 'card' && <CardFields card={card} onCard={setCard} />}
      {refused && refused.errors.every((e) => !['name', 'email', 'phone'].includes(e.path)) && (
        <Refusal refused={refused} />
      )}
      <button className="btn btn-do" disabled={busy}>
        Order
      </button>
    </form>
  )
}

const Thanks = ({ ordered }: { readonly ordered: Ordered }) => (
  <section className="max-w-[560px]">
    <h2 className="text-2xl">Thank you</h2>
    <p className="mt-2">
      Your order has the number <b>{ordered.number}</b>.{' '}
      {ordered.paid ? 'It is paid.' : ordered.why ? `It is not paid yet: ${ordered.why}` : 'We will send a bill.'} We
      will be in touch.
    </p>
  </section>
)
