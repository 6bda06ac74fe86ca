'use client'
import { X } from 'lucide-react'
import { Text } from '../fields'
import { Picker, type Choice } from '../Picker'
import { call } from '../send'
import type { SupplierDraft } from './goodsDraft'

interface Supplier {
  readonly id: number
  readonly name: string
}

const findSuppliers = async (typed: string): Promise<Choice<Supplier>[]> => {
  const found = await call<{ items: Supplier[] }>('GET', `/suppliers?search=${encodeURIComponent(typed)}`)
  return found.ok ? found.value.items.slice(0, 8).map((s) => ({ key: `s${s.id}`, label: s.name, value: s })) : []
}

interface Props {
  readonly suppliers: readonly SupplierDraft[]
  readonly onSuppliers: (suppliers: readonly SupplierDraft[]) => void
}

/** Who sells it to us, what they call it, and whom we prefer. */
export const SupplierRows = ({ suppliers, onSuppliers }: Props) => {
  const set = (i: number, change: Partial<SupplierDraft>) =>
    onSuppliers(
      suppliers.map((s, n) => (n === i ? { ...s, ...change } : change.preferred ? { ...s, preferred: false } : s)),
    )
  return (
    <fieldset>
      <legend className="font-slab text-lg font-semibold">Bought from</legend>
      {suppliers.map((s, i) => (
        <div key={i} className="mb-2 grid grid-cols-[1.3fr_1fr_auto] items-end gap-2">
          <Picker
            label={`Supplier ${i + 1}`}
            chosen={s.name}
            find={findSuppliers}
            onPick={(x) => set(i, { supplierId: x.id, name: x.name })}
            otherwise={{
              say: (typed) => `Add “${typed}” as a supplier`,
              take: (typed) => set(i, { supplierId: undefined, name: typed }),
            }}
          />
          <Text label="Their code" value={s.code} maxLength={60} onChange={(e) => set(i, { code: e.target.value })} />
          <button
            type="button"
            aria-label={`Supplier ${i + 1}: away`}
            className="p-2 text-iron-500"
            onClick={() => onSuppliers(suppliers.filter((_, n) => n !== i))}
          >
            <X size={15} />
          </button>
          {suppliers.length > 1 && (
            <label className="col-span-3 flex gap-2">
              <input type="radio" name="preferred" checked={s.preferred} onChange={() => set(i, { preferred: true })} />{' '}
              preferred
            </label>
          )}
        </div>
      ))}
      <button
        type="button"
        className="text-xs underline"
        onClick={() => onSuppliers([...suppliers, { name: '', code: '', preferred: suppliers.length === 0 }])}
      >
        one more supplier
      </button>
    </fieldset>
  )
}
