'use client'
import { X } from 'lucide-react'
import type { Day } from '@/core/day'
import { DayField, MoneyField, QuantityField } from '../fields'
import { NO_PRICE, type PriceDraft } from './goodsDraft'

interface Props {
  readonly prices: readonly PriceDraft[]
  readonly onPrices: (prices: readonly PriceDraft[]) => void
  readonly levels: readonly { readonly code: string; readonly name: string }[]
  readonly currency: string
  readonly today: Day
  readonly problem: (path: string) => string | undefined
}

/** Prices beside the list: for everybody or one level, from a quantity on, while they are valid. */
export const PriceRows = ({ prices, onPrices, levels, currency, today, problem }: Props) => {
  const set = (i: number, change: Partial<PriceDraft>) =>
    onPrices(prices.map((p, n) => (n === i ? { ...p, ...change } : p)))
  return (
    <fieldset>
      <legend className="font-slab text-lg font-semibold">Other prices</legend>
      {prices.map((p, i) => (
        <div
          key={i}
          className="mb-3 grid grid-cols-[1.2fr_64px_1fr_auto] items-end gap-2 border-l-2 border-paper-300 pl-2"
        >
          <label>
            <span className="label">For</span>
            <select
              className="field"
              aria-label={`Price ${i + 1}: for`}
              value={p.level}
              onChange={(e) => set(i, { level: e.target.value })}
            >
              <option value="">everybody</option>
              {levels.map((l) => (
                <option key={l.code} value={l.code}>
                  {l.name}
                </option>
              ))}
            </select>
          </label>
          <QuantityField label="from" value={p.fromQuantity} onValue={(fromQuantity) => set(i, { fromQuantity })} />
          <MoneyField
            label="each"
            currency={currency}
            value={p.price}
            onValue={(price) => set(i, { price })}
            problem={problem(`prices.${i}.price`)}
          />
          <button
            type="button"
            aria-label={`Price ${i + 1}: away`}
            className="p-2 text-iron-500"
            onClick={() => onPrices(prices.filter((_, n) => n !== i))}
          >
            <X size={15} />
          </button>
          <div className="col-span-4 grid grid-cols-2 gap-2">
            <DayField
              label="valid from"
              today={today}
              value={p.validFrom}
              onValue={(validFrom) => set(i, { validFrom })}
            />
            <DayField
              label="valid until"
              today={today}
              value={p.validUntil}
              onValue={(validUntil) => set(i, { validUntil })}
              problem={problem(`prices.${i}.validUntil`)}
            />
          </div>
        </div>
      ))}
      <button type="button" className="text-xs underline" onClick={() => onPrices([...prices, NO_PRICE])}>
        one more price
      </button>
    </fieldset>
  )
}
