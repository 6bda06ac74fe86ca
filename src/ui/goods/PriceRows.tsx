'use client'
import { RemoveRow } from '../RemoveRow'
import { useFieldArray, useFormContext } from 'react-hook-form'
import type { Day } from '@/core/day'
import { FormDay, FormMoney, FormQuantity, FormSelect } from '../form/inputs'
import { NO_PRICE, type GoodsDraft } from './goodsDraft'

interface Props {
  readonly levels: readonly { readonly code: string; readonly name: string }[]
  readonly currency: string
  readonly today: Day
}

/** Prices beside the list: for everybody or one level, from a quantity on, while they are valid. */
export const PriceRows = ({ levels, currency, today }: Props) => {
  const { control } = useFormContext<GoodsDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'prices' })
  const everybody = [{ value: '', name: 'everybody' }, ...levels.map((l) => ({ value: l.code, name: l.name }))]
  return (
    <fieldset>
      <legend className="font-slab text-lg font-semibold">Special prices</legend>
      {fields.map((row, i) => (
        <div
          key={row.id}
          className="mb-3 grid grid-cols-[1.2fr_64px_1fr_auto] items-end gap-2 border-l-2 border-paper-300 pl-2"
        >
          <FormSelect name={`prices.${i}.level`} label={`For, price ${i + 1}`} options={everybody} />
          <FormQuantity name={`prices.${i}.fromQuantity`} label="From quantity" />
          <FormMoney name={`prices.${i}.price`} label="Unit price" currency={currency} />
          <RemoveRow label={`Remove price ${i + 1}`} onRemove={() => remove(i)} />
          <div className="col-span-4 grid grid-cols-2 gap-2">
            <FormDay name={`prices.${i}.validFrom`} label="Valid from" today={today} />
            <FormDay name={`prices.${i}.validUntil`} label="Valid until" today={today} />
          </div>
        </div>
      ))}
      <button type="button" className="text-xs underline" onClick={() => append(NO_PRICE, { shouldFocus: false })}>
        Add price
      </button>
    </fieldset>
  )
}
