'use client'
import { Select } from '../../Select'
import { useState } from 'react'
import { addMonths } from '@/core/day'
import { Choice } from '../../Choice'
import { DayField, QuantityField } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { chosenLines, fill, Quantities, Submit, type PanelProps } from './parts'

/** Goods go to the customer. */
export const HandOver = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const waiting = sale.lines.filter((l) => Number(l.toHandOver) > 0)
  const [values, setValues] = useState<Readonly<Record<number, string>>>(
    fill(waiting, (l) => (l.fromShelf ? l.setAside : l.toHandOver)),
  )
  const [by, setBy] = useState<'counter' | 'parcel' | 'delivery'>('counter')
  const [on, setOn] = useState<string>(today)
  const { layaway } = sale.promise
  const early = layaway !== null && Number(layaway.left) > 0
  const [turn, setTurn] = useState<'installments' | 'terms'>('installments')
  const [count, setCount] = useState('3')
  const go = async () => {
    const rest =
      turn === 'terms'
        ? ({ kind: 'terms', net: 30 } as const)
        : ({
            kind: 'installments',
            firstPayment: sale.held,
            count: Number(count) || 1,
            every: 'month',
            firstDue: addMonths(today, 1),
          } as const)
    const done = await send(
      'POST',
      `/sales/${sale.id}/handovers`,
      { on, by, lines: chosenLines(values), ...(early ? { turnInto: rest } : {}) },
      {
        say: () =>
          `Handed over to ${sale.customer}${layaway ? ', and billed' : ''}. The cost of what left is in the books.`,
      },
    )
    if (done) onClose()
  }
  return (
    <>
      <Quantities
        lines={waiting}
        most={(l) => l.toHandOver}
        values={values}
        onValues={setValues}
        side={(l) => (l.fromShelf ? `${l.setAside} of ${l.toHandOver} on the shelf` : 'work or charge: done or not')}
      />
      <div className="grid grid-cols-2 gap-3">
        <Select
          label="How"
          value={by}
          options={{ counter: 'across the counter', parcel: 'as a parcel', delivery: 'delivered' }}
          onValue={setBy}
        />
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      {early && (
        <div className="mt-4 border-l-4 border-brass-600 bg-brass-100 px-3 py-2.5">
          <p className="mb-2">
            {layaway.left} of this layaway is still to come, so the goods should stay. If they go all the same, it is
            billed now and the rest becomes:
          </p>
          <Choice
            label="The rest"
            value={turn}
            onChoose={setTurn}
            options={[
              { value: 'installments', label: 'monthly installments' },
              { value: 'terms', label: 'due in 30 days' },
            ]}
          />
          {turn === 'installments' && <QuantityField label="Payments" value={count} onValue={setCount} />}
        </div>
      )}
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Hand over
      </Submit>
    </>
  )
}
