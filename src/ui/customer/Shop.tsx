'use client'
import { Minus, Plus } from 'lucide-react'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import { larger, ZERO } from '@/core/money'
import type { PageAsked } from '@/contract/pageAsked'
import type { BasketView, ShopThing } from '@/services/shopfront/readShop'
import { PageLinks } from '../list/ListPages'
import { Refusal } from '../Refusal'
import { useAsk } from './ask'
import { BasketTable } from './BasketTable'
import { FindInShop } from './FindInShop'
import { OrderForm, type Ordered } from './OrderForm'
import { Thanks } from './Thanks'
import { ThingInShop } from './ThingInShop'
import { countIn, useBasket } from './useBasket'

interface Props {
  readonly things: readonly ShopThing[]
  /** What is looked at, and whether more of it follows. */
  readonly asked: PageAsked
  readonly more: boolean
  readonly start: BasketView | null
  readonly currency: string
  readonly withTax: boolean
}

/** The shopfront: things, the basket, who it is for, and the order. The basket follows the owner's hands too. */
export const Shop = ({ things, asked, more, start, currency, withTax }: Props) => {
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
      <div>
        <FindInShop asked={asked} more={more} found={things.length > 0} />
        <ul className="grid content-start gap-4 sm:grid-cols-2">
          {things.map((t) => (
            <ThingInShop key={t.id} thing={t} currency={currency} busy={busy} onAdd={() => void add(t.id, 1)} />
          ))}
        </ul>
        <PageLinks
          path="/shop"
          query={asked.search === '' ? {} : { search: asked.search }}
          page={asked.page}
          more={more}
        />
        {basket && basket.lines.length > 0 && (
          // Where the basket stands below all things.
          <p className="sticky bottom-3 pt-3 lg:hidden">
            <a href="#basket" className="btn shadow">
              Your basket: {formatDigits(basket.totals.gross)}
            </a>
          </p>
        )}
      </div>
      <aside id="basket">
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
