import type { ReactNode } from 'react'
import type { Day } from '@/core/day'
import { FormDay, FormQuantity } from '../form/inputs'
import { RemoveRow } from '../RemoveRow'

interface Props {
  /** Where it stands in the form: `prices.2`. */
  readonly name: string
  /** For a screen reader: `price 3`. */
  readonly called: string
  /** Whom it is for, where that is asked. */
  readonly lead?: ReactNode
  /** What one costs from there on. */
  readonly price: ReactNode
  readonly today: Day
  readonly onRemove: () => void
}

/** A price from a quantity on, while it is valid. */
export const StepRow = ({ name, called, lead, price, today, onRemove }: Props) => (
  <div
    className={`mb-3 grid items-end gap-2 border-l-2 border-paper-300 pl-2 ${
      lead ? 'grid-cols-[1.2fr_64px_1fr_auto]' : 'grid-cols-[1fr_1fr_auto]'
    }`}
  >
    {lead}
    <FormQuantity name={`${name}.fromQuantity`} label="From quantity" />
    {price}
    <RemoveRow label={`Remove ${called}`} onRemove={onRemove} />
    <div className="col-span-full grid grid-cols-2 gap-2">
      <FormDay name={`${name}.validFrom`} label="Valid from" today={today} />
      <FormDay name={`${name}.validUntil`} label="Valid until" today={today} />
    </div>
  </div>
)
