'use client'
import { X } from 'lucide-react'
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form'
import { FormArea, FormSelect, FormText } from '../form/inputs'
import { emptyAddress, type AddressDraft, type CustomerDraft } from './customerDraft'

const NAME = { 'bill-to': 'Bill to', 'deliver-to': 'Deliver to' } as const
type Areas = readonly { readonly code: string; readonly name: string }[]

/** Bill-to and deliver-to addresses, as many as there are, one of each the usual one. */
export const AddressFields = ({ areas }: { readonly areas: Areas }) => {
  const { control } = useFormContext<CustomerDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'addresses' })
  return (
    <fieldset className="md:col-span-2">
      <legend className="font-slab text-lg font-semibold">Addresses</legend>
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-2">
        {fields.map((row, i) => (
          <Address key={row.id} n={i} kind={row.kind} areas={areas} onRemove={() => remove(i)} />
        ))}
      </div>
      <span className="mt-2 flex gap-4">
        {(['bill-to', 'deliver-to'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="text-xs underline"
            onClick={() => append(emptyAddress(kind), { shouldFocus: false })}
          >
            Add {kind === 'bill-to' ? 'billing' : 'delivery'} address
          </button>
        ))}
      </span>
    </fieldset>
  )
}

interface AddressProps {
  readonly n: number
  readonly kind: AddressDraft['kind']
  readonly areas: Areas
  readonly onRemove: () => void
}

const Address = ({ n, kind, areas, onRemove }: AddressProps) => (
  <div className="relative border-l-2 border-paper-300 pl-3">
    <button
      type="button"
      aria-label={`Remove: ${NAME[kind]} ${n + 1}`}
      className="absolute top-0 right-0 p-1.5 text-iron-500 hover:text-oxide-700"
      onClick={onRemove}
    >
      <X size={15} />
    </button>
    <FormArea name={`addresses.${n}.text`} label={NAME[kind]} rows={3} most={500} />
    {kind === 'deliver-to' && (
      <div className="grid grid-cols-2 gap-2">
        <FormText name={`addresses.${n}.instructions`} label="Delivery instructions" most={500} />
        <FormSelect
          name={`addresses.${n}.taxArea`}
          label="Tax region"
          options={[{ value: '', name: 'Default' }, ...areas.map((a) => ({ value: a.code, name: a.name }))]}
        />
      </div>
    )}
    <Usual n={n} kind={kind} />
  </div>
)

/** Of several addresses of a kind, the usual one. */
const Usual = ({ n, kind }: Pick<AddressProps, 'n' | 'kind'>) => {
  const { control, setValue } = useFormContext<CustomerDraft>()
  const addresses = useWatch({ control, name: 'addresses' })
  if (addresses.filter((a) => a.kind === kind).length < 2) return null
  const choose = () =>
    addresses.forEach((a, i) => {
      if (a.kind === kind) setValue(`addresses.${i}.isDefault`, i === n)
    })
  return (
    <label className="flex gap-2 pt-1">
      <input type="radio" name={`usual-${kind}`} checked={addresses[n]?.isDefault ?? false} onChange={choose} /> Default
      address
    </label>
  )
}
