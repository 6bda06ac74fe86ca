'use client'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormOn, FormQuantity, FormReason } from '../form/inputs'
import { isNone, type LineQuantity } from './panels/parts'

export interface ReturnableLine {
  readonly lineId: number
  readonly description: string
  readonly quantity: string
}

interface Props {
  readonly handoverId: number
  readonly today: Day
  readonly lines: readonly ReturnableLine[]
  readonly onDone: () => void
}

const schema = () =>
  import('@/contract/inputs/sales/returnGoods').then((m) => m.returnGoodsInput.omit({ handoverId: true }))

/** What of a handover comes back, and why. */
export const ReturnGoods = ({ handoverId, today, lines, onDone }: Props) => (
  <CommandForm
    method="POST"
    path={`/handovers/${handoverId}/returns`}
    schema={schema}
    start={{ on: String(today), reason: '', lines: lines.map(({ lineId }) => ({ lineId, quantity: '' })) }}
    asBody={({ lines: back, ...d }) => ({ ...d, ...(back.length > 0 ? { lines: back } : {}) })}
    skip={{ lines: isNone }}
    say={() => 'The goods are back, and can be handed over again.'}
    onDone={onDone}
    submit="Return goods"
  >
    <p className="mb-3">
      They go back to stock at what they had cost, and can be handed over again. Return invoiced goods with a credit
      note instead.
    </p>
    <div className="grid gap-3">
      <Back lines={lines} />
      <FormReason />
      <FormOn today={today} />
    </div>
  </CommandForm>
)

const Back = ({ lines }: Pick<Props, 'lines'>) => {
  const back = useWatch<{ lines: LineQuantity[] }, 'lines'>({ name: 'lines' })
  const all = back.every(isNone)
  return lines.map((l, i) => (
    <FormQuantity
      key={l.lineId}
      name={`lines.${i}.quantity`}
      label={`${l.description}, of ${l.quantity}`}
      placeholder={all ? 'all that may come back' : '0'}
    />
  ))
}
