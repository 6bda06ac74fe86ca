'use client'
import { present } from '@/core/present'
import { Minus, Plus, X } from 'lucide-react'
import { tenderOf, likelyNotes } from '@/core/receipt'
import { useCallback, useRef, useState } from 'react'
import type { Method } from '@/core/ledger'
import { absMoney, decimal, formatPrice, formatMoney, isPositiveMoney, toDecimalString } from '@/core/money'
import { MoneyField, QuantityField } from '../fields'
import { findCustomers, findGoodsChoices, Picker, type FoundGoods } from '../Picker'
import { MethodChoice } from './MethodChoice'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { readBuyer, type Buyer } from '../sale/ForWhom'
import { draftTotals, emptyLine, type DraftSettings, type LineDraft } from '../sale/lineDraft'
import { useRepricing } from '../sale/useRepricing'
import { readTyped } from './filling'

interface Sold {
  readonly id: number
  readonly number: string
  readonly receiptId: number
  readonly receiptNumber: string
  readonly saleId: number
  readonly totals: { readonly gross: string }
  readonly change: string
}

/** Sell, take the money, hand it over: goods, tender, receipt, without leaving the keyboard. */
export const CounterTill = ({
  settings,
}: {
  readonly settings: Omit<DraftSettings, 'exempt'> & { readonly smallestCoin: number }
}) => {
  const { currency } = settings
  const [lines, setLines] = useState<readonly LineDraft[]>([])
  const [customer, setCustomer] = useState<Buyer | null>(null)
  const [method, setMethod] = useState<Method>('cash')
  const [tendered, setTendered] = useState('')
  const [sold, setSold] = useState<Sold | null>(null)
  const { send, busy, refused, setRefused } = useSend()
  const search = useRef<HTMLInputElement>(null)
  const tender = useRef<HTMLInputElement>(null)
  const whole = {
    ...settings,
    exempt: customer?.exempt ?? false,
    pricesIncludeTax: customer?.pricesIncludeTax ?? settings.pricesIncludeTax,
  }
  const totals = draftTotals(lines, '', whole)
  useRepricing(lines, setLines, customer?.id ?? null, whole.pricesIncludeTax)
  const { toPay, change } = tenderOf(totals.gross, {
    cash: method === 'cash',
    smallestCoin: settings.smallestCoin,
    given: method === 'cash' && tendered !== '' ? readTyped(tendered, currency) : null,
  })

  const add = (g: FoundGoods) => {
    setSold(null)
    setRefused(null)
    setLines((before) => {
      const same = before.findIndex((l) => l.goodsId === g.id)
      if (same >= 0) return before.map((l, i) => (i === same ? { ...l, quantity: String(Number(l.quantity) + 1) } : l))
      const line: LineDraft = {
        ...emptyLine(g.taxCode),
        key: `g${g.id}`,
        goodsId: g.id,
        description: g.name,
        unitPrice: g.price,
        priceFrom: 'list',
        available: g.kind === 'stock' || g.kind === 'kit' ? g.available : undefined,
      }
      return [...before, line]
    })
  }
  const find = useCallback(async (typed: string) => findGoodsChoices(typed), [])
  const set = (i: number, quantity: string) => setLines(lines.map((l, n) => (n === i ? { ...l, quantity } : l)))

  const sell = async () => {
    const done = await send('POST', '/counter-sales', {
      customerId: customer?.id,
      lines: lines.map((l) => ({
        goodsId: l.goodsId,
        quantity: l.quantity,
        unitPrice: l.unitPrice,
        taxCode: l.taxCode,
      })),
      method,
      tendered: method === 'cash' && tendered !== '' ? tendered : undefined,
    })
    if (!done) return
    setSold(done)
    setLines([])
    setTendered('')
    setCustomer(null)
    setMethod('cash')
    search.current?.focus()
  }
  const pickCustomer = async (c: { id: number }) => setCustomer(await readBuyer(c.id))

  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_320px]">
      <div
        className="min-w-0"
        onKeyDown={(e) =>
          e.key === 'Enter' &&
          (e.target as HTMLInputElement).value === '' &&
          lines.length > 0 &&
          tender.current?.focus()
        }
      >
        <Picker
          label="Goods: name, code or scan"
          inputRef={search}
          autoFocus
          chosen=""
          placeholder="type or scan, Enter adds it; Enter again goes to the money"
          find={find}
          onPick={add}
        />
        {sold && (
          <div role="status" className="mt-4 border-l-4 border-patina-700 bg-patina-100 px-4 py-3">
            <p>
              <b>{sold.totals.gross} taken</b>, receipt {sold.receiptNumber}.
            </p>
            {Number(sold.change) > 0 && <p className="fig mt-1 text-left! text-2xl font-bold">change {sold.change}</p>}
            <p className="mt-2 flex gap-2">
              <a
                className="btn bg-paper-50"
                href={`/api/v1/export/receipts/${sold.receiptId}/slip.pdf`}
                target="_blank"
              >
                Print the slip
              </a>
              <a className="btn bg-paper-50" href={`/receipts/${sold.receiptId}`}>
                See the receipt
              </a>
            </p>
          </div>
        )}
        {lines.length === 0 ? (
          !sold && (
            <p className="sub mt-4 border-y border-paper-200 py-6">
              What they buy will stand here. Type a few letters, or scan a code.
            </p>
          )
        ) : (
          <table className="ledger mt-4">
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col" className="r w-[150px]">
                  Quantity
                </th>
                <th scope="col" className="r max-sm:hidden">
                  Each
                </th>
                <th scope="col" className="r">
                  Sum
                </th>
                <th scope="col" className="w-8">
                  <span className="sr-only">Away</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {lines.map((l, i) => {
                const short = l.available !== undefined && Number(l.quantity) > Number(l.available)
                return (
                  <tr key={l.key}>
                    <td className="break-words">
                      {l.description}
                      {l.available !== undefined && (
                        <div className={`text-xs ${short ? 'text-oxide-700' : 'text-iron-500'}`}>
                          {l.available} there{short && ', the rest is promised or missing'}
                        </div>
                      )}
                    </td>
                    <td>
                      <span className="flex items-center justify-end gap-1">
                        <button
                          className="btn min-h-0 px-1.5! py-1.5!"
                          aria-label={`One less: ${l.description}`}
                          onClick={() => Number(l.quantity) > 1 && set(i, String(Number(l.quantity) - 1))}
                        >
                          <Minus size={14} />
                        </button>
                        <span className="w-16">
                          <QuantityField
                            label={`How many: ${l.description}`}
                            hideLabel
                            value={l.quantity}
                            onValue={(q) => set(i, q)}
                          />
                        </span>
                        <button
                          className="btn min-h-0 px-1.5! py-1.5!"
                          aria-label={`One more: ${l.description}`}
                          onClick={() => set(i, String(Number(l.quantity) + 1))}
                        >
                          <Plus size={14} />
                        </button>
                      </span>
                    </td>
                    <td className="fig max-sm:hidden">{formatPrice(decimal(l.unitPrice), currency)}</td>
                    <td className="fig">
                      {formatMoney(
                        whole.pricesIncludeTax ? present(totals.lines[i]).gross : present(totals.lines[i]).net,
                      )}
                    </td>
                    <td>
                      <button
                        className="p-[5px] text-iron-500 hover:text-oxide-700"
                        aria-label={`Away: ${l.description}`}
                        onClick={() => setLines(lines.filter((_, n) => n !== i))}
                      >
                        <X size={15} />
                      </button>
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        )}
      </div>
      <div className="grid content-start gap-4">
        <div className="flex items-baseline justify-between border-b-[3px] border-double border-iron-900 pb-1">
          <span className="sub">to pay, tax {formatMoney(totals.tax)}</span>
          <span className="fig text-[40px] leading-none font-bold" aria-live="polite">
            {formatMoney(totals.gross)}
          </span>
        </div>
        <MethodChoice label="How they pay" method={method} onMethod={setMethod} />
        {method === 'cash' && (
          <div
            onKeyDown={(e) => {
              if (e.key === 'Enter' && !e.ctrlKey && lines.length > 0) {
                e.preventDefault()
                void sell()
              }
            }}
          >
            <MoneyField
              label="Tender"
              inputRef={tender}
              currency={currency}
              value={tendered}
              onValue={setTendered}
              placeholder="exact"
              className="h-[48px] !text-[24px]"
              hint={
                isPositiveMoney(change) ? (
                  <b className="text-[18px] text-iron-900">change {formatMoney(change)}</b>
                ) : toPay.minor !== totals.gross.minor ? (
                  `${formatMoney(toPay)} in coins`
                ) : undefined
              }
              problem={change.minor < 0n ? `${formatMoney(absMoney(change))} is missing` : undefined}
            />
            <div className="mt-2 flex gap-2">
              {isPositiveMoney(totals.gross) &&
                likelyNotes(toPay).map((n) => (
                  <button
                    key={n.minor.toString()}
                    className="btn fig flex-1 px-1!"
                    onClick={() => setTendered(toDecimalString(n))}
                  >
                    {formatMoney(n)}
                  </button>
                ))}
            </div>
          </div>
        )}
        <Picker
          label="Customer, if they want one"
          chosen={customer?.name ?? ''}
          placeholder="nobody in particular"
          find={findCustomers}
          onPick={(c) => void pickCustomer(c)}
        />
        <Refusal refused={refused} />
        <button
          className="btn btn-do min-h-[44px]"
          data-primary
          disabled={busy || lines.length === 0 || change.minor < 0n}
          onClick={() => void sell()}
        >
          Take {formatMoney(toPay)}
        </button>
        <span className="sub">Enter in the tender, or Ctrl Enter</span>
      </div>
    </div>
  )
}
