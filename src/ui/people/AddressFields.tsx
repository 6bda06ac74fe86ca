'use client'
import { present } from '@/core/present'
import { X } from 'lucide-react'
import { Text } from '../fields'
import { emptyAddress, NO_CONTACT, type AddressDraft, type ContactDraft } from './noCustomer'

interface AddressProps {
  readonly addresses: readonly AddressDraft[]
  readonly onAddresses: (addresses: readonly AddressDraft[]) => void
  readonly areas: readonly { readonly code: string; readonly name: string }[]
  readonly problem: (path: string) => string | undefined
}

const NAME = { 'bill-to': 'Bill to', 'deliver-to': 'Deliver to' } as const

/** Bill-to and deliver-to addresses, as many as there are, one of each the usual one. */
export const AddressFields = ({ addresses, onAddresses, areas, problem }: AddressProps) => {
  const set = (i: number, change: Partial<AddressDraft>) =>
    onAddresses(
      addresses.map((a, n) =>
        n === i
          ? { ...a, ...change }
          : change.isDefault && a.kind === present(addresses[i]).kind
            ? { ...a, isDefault: false }
            : a,
      ),
    )
  return (
    <fieldset className="md:col-span-2">
      <legend className="font-slab text-lg font-semibold">Addresses</legend>
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-2">
        {addresses.map((a, i) => (
          <div key={i} className="border-l-2 border-paper-300 pl-3">
            <span className="flex items-center justify-between">
              <label className="label" htmlFor={`address-${i}`}>
                {NAME[a.kind]}
              </label>
              <button
                type="button"
                aria-label={`${NAME[a.kind]} ${i + 1}: away`}
                className="p-[5px] text-iron-500 hover:text-oxide-700"
                onClick={() => onAddresses(addresses.filter((_, n) => n !== i))}
              >
                <X size={15} />
              </button>
            </span>
            <textarea
              id={`address-${i}`}
              rows={3}
              maxLength={500}
              className="field"
              value={a.text}
              aria-invalid={problem(`addresses.${i}.text`) ? true : undefined}
              onChange={(e) => set(i, { text: e.target.value })}
            />
            {a.kind === 'deliver-to' && (
              <div className="grid grid-cols-[1fr_130px] gap-2">
                <Text
                  label="For whoever delivers"
                  value={a.instructions}
                  maxLength={500}
                  onChange={(e) => set(i, { instructions: e.target.value })}
                />
                <label>
                  <span className="label">Tax area</span>
                  <select className="field" value={a.taxArea} onChange={(e) => set(i, { taxArea: e.target.value })}>
                    <option value="">usual</option>
                    {areas.map((x) => (
                      <option key={x.code} value={x.code}>
                        {x.name}
                      </option>
                    ))}
                  </select>
                </label>
              </div>
            )}
            {addresses.filter((x) => x.kind === a.kind).length > 1 && (
              <label className="flex gap-2 pt-1">
                <input
                  type="radio"
                  name={`usual-${a.kind}`}
                  checked={a.isDefault}
                  onChange={() => set(i, { isDefault: true })}
                />{' '}
                the usual one
              </label>
            )}
          </div>
        ))}
      </div>
      <span className="mt-2 flex gap-4">
        {(['bill-to', 'deliver-to'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="text-xs underline"
            onClick={() => onAddresses([...addresses, emptyAddress(kind)])}
          >
            one more to {kind === 'bill-to' ? 'bill to' : 'deliver to'}
          </button>
        ))}
      </span>
    </fieldset>
  )
}

interface ContactProps {
  readonly contacts: readonly ContactDraft[]
  readonly onContacts: (contacts: readonly ContactDraft[]) => void
  readonly problem: (path: string) => string | undefined
}

/** Whom else to ask for. */
export const ContactFields = ({ contacts, onContacts, problem }: ContactProps) => {
  const set = (i: number, change: Partial<ContactDraft>) =>
    onContacts(contacts.map((c, n) => (n === i ? { ...c, ...change } : c)))
  return (
    <fieldset className="md:col-span-2">
      <legend className="font-slab text-lg font-semibold">Other people there</legend>
      {contacts.map((c, i) => (
        <div key={i} className="mb-2 grid items-end gap-2 sm:grid-cols-[1fr_1fr_1.3fr_1fr_auto]">
          <Text
            label="Name"
            value={c.name}
            maxLength={200}
            onChange={(e) => set(i, { name: e.target.value })}
            problem={problem(`contacts.${i}.name`)}
          />
          <Text label="Does" value={c.role} maxLength={80} onChange={(e) => set(i, { role: e.target.value })} />
          <Text
            label="E-mail"
            type="email"
            value={c.email}
            maxLength={200}
            onChange={(e) => set(i, { email: e.target.value })}
            problem={problem(`contacts.${i}.email`)}
          />
          <Text label="Phone" value={c.phone} maxLength={60} onChange={(e) => set(i, { phone: e.target.value })} />
          <button
            type="button"
            aria-label={`Person ${i + 1}: away`}
            className="p-2 text-iron-500"
            onClick={() => onContacts(contacts.filter((_, n) => n !== i))}
          >
            <X size={15} />
          </button>
        </div>
      ))}
      <button type="button" className="text-xs underline" onClick={() => onContacts([...contacts, NO_CONTACT])}>
        one more person
      </button>
    </fieldset>
  )
}
