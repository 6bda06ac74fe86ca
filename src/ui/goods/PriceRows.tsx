'use client'
import { useFieldArray, useFormContext } from 'react-hook-form'
import type { Day } from '@/core/day'
import { FormMoney, FormSelect } from '../form/inputs'
import { NO_PRICE, type GoodsDraft } from './goodsDraft'
import { StepRow } from './StepRow'

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
        <StepRow
          key={row.id}
          name={`prices.${i}`}
          called={`price ${i + 1}`}
          lead={<FormSelect name={`prices.${i}.level`} label={`For, price ${i + 1}`} options={everybody} />}
          price={<FormMoney name={`prices.${i}.price`} label="Unit price" currency={currency} />}
          today={today}
          onRemove={() => remove(i)}
        />
      ))}
      <button type="button" className="text-xs underline" onClick={() => append(NO_PRICE, { shouldFocus: false })}>
        Add price
      </button>
    </fieldset>
  )
}
