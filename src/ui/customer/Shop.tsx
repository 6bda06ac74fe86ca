'use client'
import { Minus, Plus } from 'lucide-react'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import { decimal, formatPrice, larger, ZERO } from '@/core/money'
import type { BasketView, ShopThing } from '@/services/shopfront/readShop'
import { Refusal } from '../Refusal'
import { useAsk } from './ask'
import { BasketTable } from './BasketTable'
import { OrderForm, type Ordered } from './OrderForm'
import { Thanks } from './Thanks'
import { countIn, useBasket } from './useBasket'

interface Props {
  readonly things: readonly ShopThing[]
  readonly start: BasketView | null
  readonly currency: string
  readonly withTax: boolean
}

/** The shopfront: things, the basket, who it is for, and the order. The basket follows the owner's hands too. */
export const Shop = ({ things, start, currency, withTax }: Props) => {
  const { post, get, busy, refused } = useAsk()
  const { basket, change } = useBasket(start, async () => {
    const read = await get<{ basket: BasketView | null }>('/api/shop/basket')
    return read.ok ? read.value.basket : undefined
  })
  const [ordered, setOrdered] = useState<Ordered | null>(null)
  /** So many more of something, or fewer: of what is in it when it is its turn. */
  const add = (goodsId: number, more: number) =>
    change((now) =>
      post('/api/shop/lines', { goodsId, quantity: larger(ZERO, countIn(now, goodsId).plus(more)).toString() }),
    )
  if (ordered) return <Thanks ordered={ordered} currency={currency} withTax={withTax} />
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_380px]">
      <ul className="grid content-start gap-4 sm:grid-cols-2">
        {things.map((t) => (
          <li key={t.id} className="flex gap-3 border border-paper-300 bg-white p-3">
            {t.pictureFileId !== null && (
              // oxlint-disable-next-line nextjs/no-img-element -- kept in the database, shown as it is
              <img
                src={`/api/shop/pictures/${t.pictureFileId}`}
                alt=""
                loading="lazy"
                className="h-19 w-19 shrink-0 object-cover"
              />
            )}
            <div className="min-w-0 flex-1">
              <b className="block">{t.name}</b>
              {t.note && <span className="sub block">{t.note}</span>}
              <span className="sub">
                {t.there === null ? '' : Number(t.there) > 0 ? 'In stock' : 'Made or ordered for you'}
              </span>
              <div className="mt-1 flex flex-wrap items-center justify-between gap-2">
                <span className="fig text-lg">{formatPrice(decimal(t.price), currency)}</span>
                <button
                  className="btn min-h-7.5"
                  disabled={busy}
                  aria-label={`Add to basket: ${t.name}`}
                  onClick={() => void add(t.id, 1)}
                >
                  Add to basket
                </button>
              </div>
            </div>
          </li>
        ))}
      </ul>
      <aside>
        <h2>Your basket</h2>
        {!basket || basket.lines.length === 0 ? (
          <p className="sub">Your basket is empty.</p>
        ) : (
          <>
            <BasketTable
              basket={basket}
              currency={currency}
              withTax={withTax}
              count={(l) => (
                <>
                  <button aria-label={`${l.name}: one less`} className="p-1.25" onClick={() => void add(l.goodsId, -1)}>
                    <Minus size={14} />
                  </button>
                  <span className="fig inline-block min-w-6 text-center">{formatDigits(l.quantity)}</span>
                  <button aria-label={`${l.name}: one more`} className="p-1.25" onClick={() => void add(l.goodsId, 1)}>
                    <Plus size={14} />
                  </button>
                </>
              )}
            />
            <OrderForm basket={basket} change={change} onOrdered={setOrdered} />
          </>
        )}
        {refused && <Refusal refused={refused} />}
      </aside>
    </div>
  )
}
