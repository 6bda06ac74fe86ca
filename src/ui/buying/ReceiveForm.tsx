'use client'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import type { Track } from '@/core/kinds'
import { useState } from 'react'
import { useFormContext } from 'react-hook-form'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormOn, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { pieceBody } from '../goods/countDraft'
import { ScanBox } from '../goods/ScanBox'
import { isEmptyRow } from '../form/isEmptyRow'
import { oneMore } from '../quantity'

interface Line {
  readonly id: number
  readonly description: string
  readonly toReceive: string
  readonly track: Track
  /** What a scanner reads of it: its code, its bar code. */
  readonly codes: readonly string[]
}

interface Props {
  readonly orderId: number
  /** It went straight to the customer. */
  readonly direct: boolean
  readonly lines: readonly Line[]
  readonly places: readonly { readonly id: number; readonly name: string }[]
  readonly today: Day
  readonly onDone: () => void
}

interface DraftLine {
  lineId: number
  quantity: string
  unitCost: string
  lot: string
  serials: string
}

const schema = () => import('@/contract/inputs/buying/receive').then((m) => m.receiveGoodsInput)

/** What came of an order: how many of each, with lots and serials, to a place. */
export const ReceiveForm = ({ orderId, direct, lines, places, today, onDone }: Props) => (
  <CommandForm
    method="POST"
    path="/goods-received"
    schema={schema}
    start={{
      on: String(today),
      placeId: '',
      more: false,
      lines: lines.map((l): DraftLine => ({ lineId: l.id, quantity: l.toReceive, unitCost: '', lot: '', serials: '' })),
    }}
    asBody={({ on, placeId, more, lines: typed }) => ({
      purchaseOrderId: orderId,
      on,
      ...(placeId === '' ? {} : { placeId }),
      lines: typed.map(({ unitCost, lot, serials, ...l }) => ({
        ...l,
        ...pieceBody({ lot, serials }),
        ...(unitCost === '' ? {} : { unitCost }),
        ...(more ? { more } : {}),
      })),
    })}
    skip={{ lines: isEmptyRow }}
    say={(r) =>
      direct
        ? `${r.number}: received, and handed over to the customer.`
        : r.canGo.length === 0
          ? `${r.number}: received.`
          : `${r.number}: received. Can go now: ${r.canGo.map((c) => `sale ${c.number}, ${c.customer}`).join('; ')}.`
    }
    onDone={onDone}
    keeps
    submit={direct ? 'Receive and hand over' : 'Receive'}
  >
    {direct && <p className="mb-3">The supplier sent it straight to the customer: what came is handed over with it.</p>}
    <Scanned lines={lines} />
    {lines.map((l, i) => (
      <fieldset key={l.id} className="mb-3">
        <legend className="font-semibold">
          {l.description} <span className="sub">{formatDigits(l.toReceive)} to come</span>
        </legend>
        <div className="grid grid-cols-2 gap-3">
          <FormQuantity name={`lines.${i}.quantity`} label={`How many: ${l.description}`} />
          <FormQuantity name={`lines.${i}.unitCost`} label="Cost of one, if not as ordered" />
          {l.track === 'lot' && <FormText name={`lines.${i}.lot`} label={`Lot: ${l.description}`} most={60} />}
          {l.track === 'serial' && (
            <FormText name={`lines.${i}.serials`} label={`Serials: ${l.description}`} most={2000} />
          )}
        </div>
      </fieldset>
    ))}
    <div className="grid grid-cols-2 gap-3">
      <FormOn today={today} />
      {places.length > 1 && !direct && (
        <FormSelect
          name="placeId"
          label="Place"
          options={[
            { value: '', name: 'Where each usually lies' },
            ...places.map((p) => ({ value: String(p.id), name: p.name })),
          ]}
        />
      )}
    </div>
    <FormCheck name="more" label="More came than was ordered, and stays" />
  </CommandForm>
)

/**
 * Counts what came by scanning it: the first scan begins at nothing, each adds one to its line. Of goods by serial their own code is
 * followed by the serials.
 */
const Scanned = ({ lines }: Pick<Props, 'lines'>) => {
  const { getValues, setValue } = useFormContext<{ lines: DraftLine[] }>()
  const [said, setSaid] = useState('')
  const [at, setAt] = useState<number | null>(null)
  const add = (i: number, serial?: string) => {
    const { quantity, serials } = getValues(`lines.${i}`)
    const counted = oneMore(at === null ? '' : quantity)
    setValue(`lines.${i}.quantity`, counted)
    if (serial !== undefined) setValue(`lines.${i}.serials`, [serials, serial].filter((x) => x !== '').join(', '))
    setSaid(`${lines[i]?.description}: ${formatDigits(counted)}`)
  }
  const scan = (code: string) => {
    if (at === null) lines.forEach((_, i) => setValue(`lines.${i}.quantity`, '0'))
    const found = lines.findIndex((l) => l.codes.some((c) => c.toLowerCase() === code.toLowerCase()))
    if (found >= 0) {
      setAt(found)
      if (lines[found]?.track === 'serial') setSaid(`${lines[found].description}: now its serials`)
      else add(found)
      return
    }
    if (at !== null && lines[at]?.track === 'serial') return add(at, code)
    setAt(at ?? -1)
    setSaid(`${code} is not on this order.`)
  }
  return (
    <div className="mb-3">
      <ScanBox onScan={scan} said={said} />
    </div>
  )
}
