'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { decimal, formatPrice } from '@/core/money'
import type { BasketView } from '@/services/shopfront/readShop'
import { FigureCell } from '../FigureCell'
import { QuantityField, Text } from '../fields'
import { findCustomers, findGoodsChoices, Picker } from '../Picker'
import { Refusal } from '../Refusal'
import { call, useSend } from '../send'
import { countIn, useBasket } from '../customer/useBasket'
import { LedgerHead, right } from '@/ui/LedgerHead'

/** A basket while the customer fills it: seen live, changed from here, and made an order without retyping. */
export const OwnerBasket = ({ start, currency }: { readonly start: BasketView; readonly currency: string }) => {
  const changes = useSend()
  const { send, busy, refused } = useSend()
  const [customer, setCustomer] = useState<{ id: number; name: string } | null>(null)
  const { basket, change, settled } = useBasket(start, async () => {
    const read = await call('GET', `/baskets/${start.id}`)
    return read.ok ? read.value : undefined
  })
  if (!basket) return null
  const lines = (goodsId: number, quantity: string) =>
    changes.send('POST', `/baskets/${basket.id}/lines`, { goodsId, quantity })
  const put = (goodsId: number, quantity: string) => {
    if (/^\d+(\.\d{1,4})?$/.test(quantity)) void change(() => lines(goodsId, quantity))
  }
  const add = (goodsId: number) => void change((now) => lines(goodsId, countIn(now, goodsId).plus(1).toString()))
  const tell = (facts: object) => void change(() => changes.send('PATCH', `/baskets/${basket.id}`, facts))
  const order = async () => {
    // What was typed last may still be on its way when the button is pressed: the order waits for it.
    const now = await settled()
    if (!now) return
    await send(
      'POST',
      `/baskets/${basket.id}/order`,
      { turn: now.turn, pay: 'bill', ...(customer ? { customerId: customer.id } : {}) },
      {
        say: (o) => `Order ${o.number} created.`,
        go: (o) => `/sales/${o.saleId}`,
      },
    )
  }
  if (basket.saleId !== null)
    return (
      <p>
        Ordered:{' '}
        <a className="underline" href={`/sales/${basket.saleId}`}>
          open sale
        </a>
        .
      </p>
    )
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_340px]">
      <section>
        <BasketLines basket={basket} currency={currency} onPut={put} />
        <div className="mt-3 max-w-105">
          <Picker label="Add item" chosen="" find={findGoodsChoices} onPick={(g) => add(g.id)} />
        </div>
        <Refusal refused={changes.refused} />
        <Refusal refused={refused} />
      </section>
      <aside className="grid content-start gap-3">
        <h2>Customer</h2>
        {(['name', 'email', 'phone', 'deliverTo'] as const).map((key) => (
          <Text
            key={`${key}${basket[key]}`}
            label={{ name: 'Name', email: 'Email', phone: 'Phone', deliverTo: 'Deliver to' }[key]}
            defaultValue={basket[key]}
            maxLength={key === 'deliverTo' ? 500 : 200}
            onBlur={(e) => e.target.value !== basket[key] && tell({ [key]: e.target.value })}
          />
        ))}
        {basket.note && <p className="whitespace-pre-line">{basket.note}</p>}
        <Picker
          label="Or choose an existing customer"
          chosen={customer?.name ?? ''}
          find={findCustomers}
          onPick={setCustomer}
        />
        <button
          className="btn btn-do mt-2"
          data-primary
          disabled={busy || basket.lines.length === 0}
          onClick={() => void order()}
        >
          Create order
        </button>
        <p className="sub">The customer sees your changes at once.</p>
      </aside>
    </div>
  )
}

interface LinesProps {
  readonly basket: BasketView
  readonly currency: string
  readonly onPut: (goodsId: number, quantity: string) => void
}

const BasketLines = ({ basket, currency, onPut }: LinesProps) => (
  <table className="ledger list small">
    <LedgerHead
      heads={['Item', right('Quantity', 'w-27.5'), right('Available'), right('Unit price'), right('Amount')]}
    />
    <tbody>
      {basket.lines.map((l) => (
        <tr key={l.goodsId}>
          <td className="first max-w-none">{l.name}</td>
          <td className="rest">
            <QuantityField
              label={`How many: ${l.name}`}
              hideLabel
              value={l.quantity}
              onValue={(q) => onPut(l.goodsId, q)}
            />
          </td>
          <FigureCell head="Available" className="text-iron-500">
            {formatDigits(l.available)}
          </FigureCell>
          <FigureCell head="Unit price">{formatPrice(decimal(l.price), currency)}</FigureCell>
          <td className="fig main">{formatDigits(l.sum)}</td>
        </tr>
      ))}
      <tr>
        <td colSpan={4} className="r border-0 text-iron-500">
          tax
        </td>
        <td className="fig border-0">{formatDigits(basket.totals.tax)}</td>
      </tr>
      <tr className="total">
        <td colSpan={4} className="r">
          total with tax, {currency}
        </td>
        <td className="fig">{formatDigits(basket.totals.gross)}</td>
      </tr>
    </tbody>
  </table>
)
