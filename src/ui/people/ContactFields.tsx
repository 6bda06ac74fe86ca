'use client'
import { useFieldArray, useFormContext } from 'react-hook-form'
import { FormText } from '../form/inputs'
import { RemoveRow } from '../RemoveRow'
import { NO_CONTACT, type ContactDraft } from './customerDraft'

/** Whom to ask for: at a customer’s beside the first contact, or at a supplier’s. */
export const ContactFields = ({ title }: { readonly title: string }) => {
  const { control } = useFormContext<{ contacts: ContactDraft[] }>()
  const { fields, append, remove } = useFieldArray({ control, name: 'contacts' })
  return (
    <fieldset className="@container">
      <legend className="font-slab text-lg font-semibold">{title}</legend>
      {fields.map((row, i) => (
        <div
          key={row.id}
          className="mb-2 grid grid-cols-[1fr_1fr_auto] items-end gap-2 @xl:grid-cols-[1fr_1fr_1.3fr_1fr_auto]"
        >
          <FormText name={`contacts.${i}.name`} label="Name" most={200} />
          <FormText name={`contacts.${i}.role`} label="Role" most={80} />
          <span className="@xl:hidden" />
          <FormText name={`contacts.${i}.email`} label="Email" most={200} type="email" />
          <FormText name={`contacts.${i}.phone`} label="Phone" most={60} />
          <RemoveRow label={`Remove contact ${i + 1}`} onRemove={() => remove(i)} />
        </div>
      ))}
      <button type="button" className="text-xs underline" onClick={() => append(NO_CONTACT)}>
        Add contact
      </button>
    </fieldset>
  )
}
