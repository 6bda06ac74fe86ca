'use client'
import { RemoveRow } from '../RemoveRow'
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form'
import { FormQuantity, FormText } from '../form/inputs'
import { findSuppliers, Picker } from '../Picker'
import type { GoodsDraft } from './goodsDraft'

/** Who sells it to us, what they call it, and whom we prefer. */
export const SupplierRows = () => {
  const { control } = useFormContext<GoodsDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'suppliers' })
  return (
    <fieldset>
      <legend className="font-slab text-lg font-semibold">Suppliers</legend>
      {fields.map((row, i) => (
        <Supplier key={row.id} n={i} onRemove={() => remove(i)} />
      ))}
      <button
        type="button"
        className="text-xs underline"
        onClick={() => append({ name: '', code: '', preferred: fields.length === 0 }, { shouldFocus: false })}
      >
        Add supplier
      </button>
    </fieldset>
  )
}

const Supplier = ({ n, onRemove }: { readonly n: number; readonly onRemove: () => void }) => {
  const { control, setValue } = useFormContext<GoodsDraft>()
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
      {suppliers.length > 1 && (
        <label className="col-span-3 flex gap-2">
          <input type="radio" name="Preferred" checked={suppliers[n]?.preferred ?? false} onChange={prefer} /> Preferred
        </label>
      )}
    </div>
  )
}
