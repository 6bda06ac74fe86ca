'use client'
import { RemoveRow } from '../RemoveRow'
import { useFieldArray, useFormContext, useFormState, useWatch } from 'react-hook-form'
import { FormQuantity, FormText } from '../form/inputs'
import { findSuppliers, Picker } from '../Picker'
import type { Day } from '@/core/day'
import { NO_COST, NO_SELLER, type GoodsDraft } from './goodsDraft'
import { StepRow } from './StepRow'

interface Props {
  readonly today: Day
}

/** Who sells it to us, what they call it, what they ask for it, and whom we prefer. */
export const SupplierRows = ({ today }: Props) => {
  const { control } = useFormContext<GoodsDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'suppliers' })
  return (
    <fieldset>
      <legend className="font-slab text-lg font-semibold">Suppliers</legend>
      {fields.map((row, i) => (
        <Supplier key={row.id} n={i} today={today} onRemove={() => remove(i)} />
      ))}
      {fields.length > 1 && <NoneBest />}
      <button
        type="button"
        className="text-xs underline"
        onClick={() => append({ ...NO_SELLER, preferred: fields.length === 0 }, { shouldFocus: false })}
      >
        Add supplier
      </button>
    </fieldset>
  )
}

/** Nobody is preferred: what is ordered goes where it costs least. */
const NoneBest = () => {
  const { control, setValue } = useFormContext<GoodsDraft>()
  const suppliers = useWatch({ control, name: 'suppliers' })
  const none = () => suppliers.forEach((_, i) => setValue(`suppliers.${i}.preferred`, false))
  return (
    <label className="mb-2 flex gap-2">
      <input type="radio" name="Preferred" checked={suppliers.every((s) => !s.preferred)} onChange={none} /> Whoever
      costs least for the quantity
    </label>
  )
}

const Supplier = ({ n, today, onRemove }: Props & { readonly n: number; readonly onRemove: () => void }) => {
  const { control, setValue } = useFormContext<GoodsDraft>()
  const { errors } = useFormState({ control })
  const suppliers = useWatch({ control, name: 'suppliers' })
  const name = (id: number | undefined, called: string) => {
    setValue(`suppliers.${n}.supplierId`, id)
    setValue(`suppliers.${n}.name`, called)
  }
  const prefer = () => suppliers.forEach((_, i) => setValue(`suppliers.${i}.preferred`, i === n))
  return (
    <div className="mb-2 grid grid-cols-[1.3fr_1fr_auto] items-end gap-2">
      <Picker
        label={`Supplier ${n + 1}`}
        chosen={suppliers[n]?.name ?? ''}
        find={findSuppliers}
        problem={errors.suppliers?.[n]?.message}
        onPick={(s) => name(s.id, s.name)}
        otherwise={{
          say: (typed) => `Add “${typed}” as a supplier`,
          take: (typed) => name(undefined, typed),
        }}
      />
      <FormText name={`suppliers.${n}.code`} label="Supplier’s code" most={60} />
      <RemoveRow label={`Remove supplier ${n + 1}`} onRemove={onRemove} />
      <div className="col-span-3 grid grid-cols-2 gap-2">
        <FormQuantity name={`suppliers.${n}.packSize`} label="Sold in packs of" />
        <FormQuantity name={`suppliers.${n}.unitCost`} label="Cost of one" />
      </div>
      <SupplierPrices n={n} today={today} />
      {suppliers.length > 1 && (
        <label className="col-span-3 flex gap-2">
          <input type="radio" name="Preferred" checked={suppliers[n]?.preferred ?? false} onChange={prefer} /> Preferred
        </label>
      )}
    </div>
  )
}

/** What they ask from a quantity on, or for a while. */
const SupplierPrices = ({ n, today }: Props & { readonly n: number }) => {
  const { control } = useFormContext<GoodsDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: `suppliers.${n}.prices` })
  return (
    <div className="col-span-3 pl-3">
      {fields.map((row, i) => (
        <StepRow
          key={row.id}
          name={`suppliers.${n}.prices.${i}`}
          called={`cost ${i + 1} of supplier ${n + 1}`}
          price={<FormQuantity name={`suppliers.${n}.prices.${i}.unitCost`} label="Cost of one" />}
          today={today}
          onRemove={() => remove(i)}
        />
      ))}
      <button
        type="button"
        className="text-xs underline"
        aria-label={`Add cost by quantity or day, supplier ${n + 1}`}
        onClick={() => append(NO_COST, { shouldFocus: false })}
      >
        Add cost by quantity or day
      </button>
    </div>
  )
}
