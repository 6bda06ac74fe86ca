'use client'
import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormOn, FormQuantity, FormReason } from '../form/inputs'
import { Panel } from '../Panel'
import { isNone, type LineQuantity } from './panels/parts'

interface Props {
  readonly handoverId: number
  readonly number: string
  readonly today: Day
  readonly lines: readonly {
    readonly lineId: number
    readonly description: string
    readonly quantity: string
  }[]
}

const schema = () =>
  import('@/contract/inputs/sales/returnGoods').then((m) => m.returnGoodsInput.omit({ handoverId: true }))

/** Goods of a handover that were not invoiced come back. */
export const GoodsBack = ({ handoverId, number, today, lines }: Props) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Goods came back
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title={`Goods of handover ${number} came back`}>
        <CommandForm
          method="POST"
          path={`/handovers/${handoverId}/returns`}
          schema={schema}
          start={{ on: String(today), reason: '', lines: lines.map(({ lineId }) => ({ lineId, quantity: '' })) }}
          asBody={({ lines: back, ...d }) => ({ ...d, ...(back.length > 0 ? { lines: back } : {}) })}
          skip={{ lines: isNone }}
          say={() => 'The goods are back, and can be handed over again.'}
          onDone={() => setOpen(false)}
          submit="They came back"
        >
          <p className="mb-3">
            They lie on the shelf again at what they had cost, and can be handed over again. What is invoiced comes back
            with a credit note instead.
          </p>
          <div className="grid gap-3">
            <Back lines={lines} />
            <FormReason />
            <FormOn today={today} />
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}

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
