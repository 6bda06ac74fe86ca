'use client'
import { useState } from 'react'
import { DayField } from '../../fields'
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
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/handovers`,
      { on, by, lines: chosenLines(values) },
      { say: () => `Handed over to ${sale.customer}. The cost of what left is in the books.` },
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
        side={(l) =>
          l.fromShelf ? `${l.setAside} of ${l.toHandOver} on the shelf` : 'work or charge: done or not'
        }
      />
      <div className="grid grid-cols-2 gap-3">
        <div>
          <label className="label" htmlFor="by">
            How
          </label>
          <select id="by" className="field" value={by} onChange={(e) => setBy(e.target.value as typeof by)}>
            <option value="counter">across the counter</option>
            <option value="parcel">as a parcel</option>
            <option value="delivery">delivered</option>
          </select>
        </div>
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Hand over
      </Submit>
    </>
  )
}
