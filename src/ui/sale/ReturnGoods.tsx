'use client'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormOn, FormQuantity, FormReason, FormSelect, FormText } from '../form/inputs'
import type { Track } from '@/core/kinds'
import { splitSerials } from '@/core/stock'
import { type LineQuantity } from './panels/parts'
import { isEmptyRow } from '../form/isEmptyRow'

export interface ReturnableLine {
  readonly lineId: number
  readonly description: string
  readonly quantity: string
  readonly track: Track
}

interface Props {
  readonly handoverId: number
  readonly today: Day
  readonly lines: readonly ReturnableLine[]
  readonly places: readonly { readonly id: number; readonly name: string }[]
  readonly onDone: () => void
}

const schema = () =>
  import('@/contract/inputs/sales/returnGoods').then((m) => m.returnGoodsInput.omit({ handoverId: true }))

/** Nothing said of any line means all of them: a zero says something, and is refused. */
const isUnsaid = (row: LineQuantity): boolean => row.quantity === '' && isEmptyRow(row)

/** A line as the call takes it: with serials only where some are named. */
const backOf = ({ serials, ...l }: LineQuantity & { readonly serials: string }) => ({
  ...l,
  ...(splitSerials(serials).length > 0 ? { serials: splitSerials(serials) } : {}),
})

/** What of a handover comes back, and why. */
export const ReturnGoods = ({ handoverId, today, lines, places, onDone }: Props) => (
  <CommandForm
    method="POST"
    path={`/handovers/${handoverId}/returns`}
    schema={schema}
    start={{
      on: String(today),
      reason: '',
      scrap: false,
      placeId: '',
      lines: lines.map(({ lineId }) => ({ lineId, quantity: '', serials: '' })),
    }}
    asBody={({ lines: back, scrap, placeId, ...d }) => ({
      ...d,
      ...(scrap ? { scrap } : {}),
      ...(placeId === '' ? {} : { placeId }),
      ...(back.length > 0 ? { lines: back.map(backOf) } : {}),
    })}
    skip={{ lines: isUnsaid }}
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
      {places.length > 1 && (
        <FormSelect
          name="placeId"
          label="Back to"
          options={[
            { value: '', name: 'Where they left from' },
            ...places.map((p) => ({ value: String(p.id), name: p.name })),
          ]}
        />
      )}
      <FormCheck name="scrap" label="Not fit to be sold again: write them off" />
      <FormReason />
      <FormOn today={today} />
    </div>
  </CommandForm>
)

const Back = ({ lines }: Pick<Props, 'lines'>) => {
  const back = useWatch<{ lines: LineQuantity[] }, 'lines'>({ name: 'lines' })
  const all = back.every(isUnsaid)
  return lines.map((l, i) => (
    <div key={l.lineId} className="grid gap-2">
      <FormQuantity
        name={`lines.${i}.quantity`}
        label={`${l.description}, of ${formatDigits(l.quantity)}`}
        placeholder={all ? 'all that may come back' : '0'}
      />
      {l.track === 'serial' && (
        <FormText
          name={`lines.${i}.serials`}
          label={`Serials of ${l.description}`}
          most={2000}
          hint="Empty: the last to leave"
        />
      )}
    </div>
  ))
}
