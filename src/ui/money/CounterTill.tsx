'use client'
import { useRef, useState } from 'react'
import type { Method } from '@/core/ledger'
import { formatMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { isAhead, useAhead } from '../ahead'
import { findCustomers, findGoodsChoices, Picker, type FoundGoods } from '../Picker'
import { LeftOffer, useDraft } from '../left'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { useBuyer, type Buyer } from '../sale/useBuyer'
import { draftTotals } from '../sale/draftTotals'
import { IN_STORE, type DraftSettings, type LineDraft } from '../sale/lineDraft'
import { useRepricing, useSetLines } from '../sale/useRepricing'
import { soldLines, withOneMore } from './counterDraft'
import { CounterLines } from './CounterLines'
import { CounterSold, type Sold } from './CounterSold'
import { MethodChoice } from './MethodChoice'
import { TenderField } from './TenderField'
import { givenOf, tenderTyped } from './tenderTyped'

interface Props {
  readonly settings: Omit<DraftSettings, 'exempt' | keyof typeof IN_STORE> & { readonly smallestCoin: number }
}

interface Selling {
  readonly lines: readonly LineDraft[]
  readonly customer: Buyer | null
  readonly method: Method
  readonly tendered: string
}
const NOTHING: Selling = { lines: [], customer: null, method: 'cash', tendered: '' }

/** Sell, take the money, hand it over: goods, tender, receipt, without leaving the keyboard. */
export const CounterTill = ({ settings }: Props) => {
  const { currency } = settings
  const { draft, set, bringBack, sent } = useDraft('counter', NOTHING)
  const { lines, customer, method, tendered } = draft
  const setLines = useSetLines(set)
  const [sold, setSold] = useState<Sold | null>(null)
  const { send, busy, refused, setRefused } = useSend()
  const search = useRef<HTMLInputElement>(null)
  const tenderField = useRef<HTMLInputElement>(null)
  const whole = {
    ...settings,
    ...IN_STORE,
    exempt: customer?.exempt ?? false,
    pricesIncludeTax: customer?.pricesIncludeTax ?? settings.pricesIncludeTax,
  }
  const totals = draftTotals(lines, '', whole)
  const customerId = customer?.id
  useRepricing(lines, setLines, { customerId: customerId ?? null, withTax: whole.pricesIncludeTax, going: null })
  const tender = { method, tendered, smallestCoin: settings.smallestCoin }
  const { toPay, change } = tenderTyped(totals.gross, tender)

  const add = (g: FoundGoods) => {
    setSold(null)
    setRefused(null)
    setLines((before) => withOneMore(before, g))
  }
  const chosen = useBuyer((found) => set({ customer: found }))
  const sell = useAhead(async () => {
    if (lines.length === 0) return setRefused({ detail: 'Nothing is sold yet. Add an item first.', errors: [] })
    if (change.minor < 0n) return tenderField.current?.focus()
    const done = await send('POST', '/counter-sales', {
      customerId,
      lines: soldLines(lines),
      method,
      tendered: givenOf(tender),
    })
    if (!done) return
    sent()
    setSold(done)
    set(NOTHING)
    chosen.forget()
    search.current?.focus()
  })

  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_320px]">
      <div className="empty:hidden lg:col-span-2">
        <LeftOffer bringBack={bringBack} />
      </div>
      <div
        className="min-w-0"
        onKeyDown={(e) =>
          e.key === 'Enter' &&
          e.target instanceof HTMLInputElement &&
          e.target.value === '' &&
          (lines.length > 0 || isAhead()) &&
          tenderField.current?.focus()
        }
      >
        <Picker
          label="Item: name, code or barcode"
          inputRef={search}
          autoFocus
          chosen=""
          many
          placeholder="Enter adds it; Enter on an empty line goes to payment"
          find={findGoodsChoices}
          onPick={add}
        />
        {sold && <CounterSold sold={sold} />}
        {lines.length > 0 && (
          <CounterLines
            lines={lines}
            sums={lines.map((_, i) => present(totals.lines[i])[whole.pricesIncludeTax ? 'gross' : 'net'])}
            currency={currency}
            onQuantity={(line, quantity) => setLines(lines.map((l) => (l.key === line.key ? { ...l, quantity } : l)))}
            onRemove={(line) => setLines(lines.filter((l) => l.key !== line.key))}
          />
        )}
        {lines.length === 0 && !sold && <NothingYet />}
      </div>
      <div className="grid content-start gap-4">
        <ToPay gross={totals.gross} tax={totals.tax} />
        <MethodChoice label="Payment method" method={method} onMethod={(to) => set({ method: to })} />
        {method === 'cash' && (
          <TenderField
            fieldRef={tenderField}
            gross={totals.gross}
            toPay={toPay}
            change={change}
            tendered={tendered}
            onTendered={(to) => set({ tendered: to })}
            onEnter={() => void sell.run()}
          />
        )}
        <Picker
          label="Customer (optional)"
          chosen={customer?.name ?? ''}
          placeholder="Walk-in customer"
          find={findCustomers}
          onPick={(c) => chosen.choose(c.id)}
        />
        <Refusal refused={refused} />
        <button
          className="btn btn-do min-h-11"
          data-primary
          disabled={busy || sell.waiting || change.minor < 0n}
          onClick={() => void sell.run()}
        >
          Take payment {formatMoney(toPay)}
        </button>
        <span className="sub" role="status">
          {sell.waiting ? 'Waiting for the last search …' : 'Enter in “Cash given”, or Ctrl+Enter'}
        </span>
      </div>
    </div>
  )
}

const ToPay = ({ gross, tax }: { readonly gross: Money; readonly tax: Money }) => (
  <div className="flex flex-wrap items-baseline justify-between border-b-[3px] border-double border-iron-900 pb-1">
    <span className="sub">To pay (includes {formatMoney(tax)} tax)</span>
    <span className="fig ml-auto text-[min(40px,11vw)] leading-none font-bold" aria-live="polite">
      {formatMoney(gross)}
    </span>
  </div>
)

const NothingYet = () => (
  <p className="sub mt-4 border-y border-paper-200 py-6">No items yet. Type a few letters or scan a code.</p>
)
