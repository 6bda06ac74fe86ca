'use client'
import { RemoveRow } from '../RemoveRow'
import { useFieldArray, useFormContext, useFormState } from 'react-hook-form'
import { FormQuantity } from '../form/inputs'
import { findGoodsChoices, Picker } from '../Picker'
import type { GoodsDraft } from './goodsDraft'

/** Goods that lie on a shelf: work and kits are no parts. */
const findParts = async (typed: string) => (await findGoodsChoices(typed)).filter((c) => c.value.kind === 'stock')

/** What one kit is made of. */
export const PartRows = () => {
  const { control } = useFormContext<GoodsDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'parts' })
  const { errors } = useFormState<GoodsDraft>()
  return (
    <fieldset>
      <legend className="font-slab text-lg font-semibold">Parts</legend>
      {fields.map((row, i) => (
        <div key={row.id} className="mb-1 grid grid-cols-[1fr_90px_auto] items-end gap-2">
          <span className="pb-1.5">{row.name}</span>
          <FormQuantity name={`parts.${i}.quantity`} label={`How many: ${row.name}`} hideLabel />
          <RemoveRow label={`Remove ${row.name}`} onRemove={() => remove(i)} />
        </div>
      ))}
      <Picker
        label="Add part"
        chosen=""
        find={findParts}
        onPick={(g) => {
          const there = fields.findIndex((x) => x.goodsId === g.id)
          if (there >= 0) remove(there)
          append({ goodsId: g.id, name: g.name, quantity: '1' }, { shouldFocus: false })
        }}
        problem={errors.parts?.root?.message ?? errors.parts?.message}
      />
    </fieldset>
  )
}
