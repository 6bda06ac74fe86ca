'use client'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import type { Track } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormOn, FormQuantity, FormReason, FormText } from '../form/inputs'
import { splitSerials } from '@/core/stock'
import { isEmptyRow } from '../form/isEmptyRow'

/** A line that came, as far as it may go back. */
export interface BackLine {
  readonly id: number
  readonly name: string
  readonly left: string
  readonly track: Track
}

interface Props {
  readonly receivedId: number
  readonly lines: readonly BackLine[]
  readonly currency: string
  readonly today: Day
  readonly onDone: () => void
}

interface DraftLine {
  lineId: number
  quantity: string
  serials: string
}

const schema = () =>
  import('@/contract/inputs/buying/sentBack').then((m) => m.returnToSupplierInput.omit({ receivedId: true }))

/** What of a receipt goes back to the supplier, and why. */
export const SendBackForm = ({ receivedId, lines, currency, today, onDone }: Props) => (
  <CommandForm
    method="POST"
    path={`/goods-received/${receivedId}/returns`}
    schema={schema}
    start={{
      on: String(today),
      reason: '',
      lines: lines.map((l): DraftLine => ({ lineId: l.id, quantity: '', serials: '' })),
    }}
    asBody={({ lines: typed, ...d }) => ({
      ...d,
      lines: typed.map(({ serials, ...l }) => ({
        ...l,
        ...(splitSerials(serials).length > 0 ? { serials: splitSerials(serials) } : {}),
      })),
    })}
    skip={{ lines: isEmptyRow }}
    say={(r) => `${r.number}: sent back.`}
    preview={{ currency }}
    onDone={onDone}
    submit="Send back"
  >
    <p className="mb-3">They leave stock. What is billed already waits for the supplier’s credit on the bill.</p>
    <div className="grid gap-3">
      {lines.map((l, i) => (
        <div key={l.id} className="grid gap-2">
          <FormQuantity name={`lines.${i}.quantity`} label={`${l.name}, of ${formatDigits(l.left)}`} placeholder="0" />
          {l.track === 'serial' && (
            <FormText
              name={`lines.${i}.serials`}
              label={`Serials of ${l.name}`}
              most={2000}
              hint="Empty: all of them"
            />
          )}
        </div>
      ))}
      <FormReason most={200} />
      <FormOn today={today} />
    </div>
  </CommandForm>
)
