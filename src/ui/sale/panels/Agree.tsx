'use client'
import { useState } from 'react'
import { DayField, Text } from '../../fields'
import { Refusal } from '../../Refusal'
import { useSend } from '../../send'
import type { SheetLine } from '../actions'
import { chosenLines, fill, Quantities, Submit, type PanelProps } from './parts'

const leftToThem = (l: SheetLine): string =>
  l.choice === 'optional' ? 'optional' : l.choice === 'alternative' ? `one of: ${l.choiceGroup}` : ''

/** The customer said yes: to what, who, how, by when, under which order of theirs. */
export const Agree = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const lines = sale.lines.filter((l) => Number(l.quantity) > 0)
  const [values, setValues] = useState<Readonly<Record<number, string>>>(
    fill(lines, (l) => (l.chosen ? l.quantity : '')),
  )
  const [facts, setFacts] = useState({
    purchaseOrder: sale.purchaseOrder,
    wantedBy: sale.wantedBy,
    by: '',
    how: 'on the phone',
    deliverTo: sale.deliverTo,
  })
  const set = (change: Partial<typeof facts>) => setFacts({ ...facts, ...change })
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/agree`,
      { ...facts, wantedBy: facts.wantedBy || undefined, lines: chosenLines(values) },
      {
        say: (s) => {
          const short = s.lines.filter((l) => Number(l.short) > 0)
          return short.length === 0
            ? `Agreed with ${sale.customer}. What is on the shelf is set aside.`
            : `Agreed. Short: ${short.map((l) => `${l.agreed} ${l.description} agreed, ${l.setAside} on the shelf`).join('; ')}.`
        },
      },
    )
    if (done) onClose()
  }
  return (
    <>
      <p>All of it, or what they take. Stock is set aside from now on; nothing goes to the books.</p>
      <Quantities lines={lines} most={(l) => l.quantity} values={values} onValues={setValues} side={leftToThem} />
      <div className="grid grid-cols-2 gap-3">
        <Text
          label="Their order number"
          value={facts.purchaseOrder}
          maxLength={80}
          onChange={(e) => set({ purchaseOrder: e.target.value })}
        />
        <DayField label="Wanted by" today={today} value={facts.wantedBy} onValue={(wantedBy) => set({ wantedBy })} />
        <Text label="Who said yes" value={facts.by} maxLength={200} onChange={(e) => set({ by: e.target.value })} />
        <label>
          <span className="label">How</span>
          <select className="field" value={facts.how} onChange={(e) => set({ how: e.target.value })}>
            <option>on the phone</option>
            <option>in person</option>
            <option>by mail</option>
          </select>
        </label>
      </div>
      {sale.addresses.length > 1 && (
        <label className="mt-3 block">
          <span className="label">Delivered to</span>
          <select className="field" value={facts.deliverTo} onChange={(e) => set({ deliverTo: e.target.value })}>
            {[...new Set([facts.deliverTo, ...sale.addresses])].map((a) => (
              <option key={a} value={a}>
                {a.replace(/\n/g, ', ') || 'not said'}
              </option>
            ))}
          </select>
        </label>
      )}
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Agreed
      </Submit>
    </>
  )
}
