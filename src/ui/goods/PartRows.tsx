'use client'
import { X } from 'lucide-react'
import { QuantityField } from '../fields'
import { findGoodsChoices, Picker } from '../Picker'
import type { PartDraft } from './goodsDraft'

interface Props {
  readonly parts: readonly PartDraft[]
  readonly onParts: (parts: readonly PartDraft[]) => void
  readonly problem?: string
}

/** What one kit is made of. */
export const PartRows = ({ parts, onParts, problem }: Props) => (
  <fieldset>
    <legend className="font-slab text-lg font-semibold">Made of</legend>
    {parts.map((p, i) => (
      <div key={p.goodsId} className="mb-1 grid grid-cols-[1fr_90px_auto] items-end gap-2">
        <span className="pb-1.5">{p.name}</span>
        <QuantityField
          label={`How many: ${p.name}`}
          hideLabel
          value={p.quantity}
          onValue={(quantity) => onParts(parts.map((x, n) => (n === i ? { ...x, quantity } : x)))}
        />
        <button
          type="button"
          aria-label={`${p.name}: away`}
          className="p-2 text-iron-500"
          onClick={() => onParts(parts.filter((_, n) => n !== i))}
        >
          <X size={15} />
        </button>
      </div>
    ))}
    <Picker
      label="Add a part"
      chosen=""
      find={findGoodsChoices}
      onPick={(g) =>
        onParts([...parts.filter((x) => x.goodsId !== g.id), { goodsId: g.id, name: g.name, quantity: '1' }])
      }
      problem={problem}
    />
  </fieldset>
)
