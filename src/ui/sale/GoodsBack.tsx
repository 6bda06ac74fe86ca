'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { QuantityField } from '../fields'
import { Panel } from '../Panel'
import { WhyAndOn } from '../WhyAndOn'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { Submit } from './panels/parts'

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

/** Goods of a handover that were not invoiced come back. */
export const GoodsBack = ({ handoverId, number, today, lines }: Props) => {
  const [open, setOpen] = useState(false)
  const [back, setBack] = useState<Readonly<Record<number, string>>>({})
  const [reason, setReason] = useState('')
  const [on, setOn] = useState<string>(today)
  const { send, busy, refused } = useSend()
  const chosen = lines.flatMap(({ lineId }) => {
    const quantity = back[lineId]
    return quantity ? [{ lineId, quantity }] : []
  })
  const go = async () => {
    const body = { on, reason, ...(chosen.length > 0 ? { lines: chosen } : {}) }
    if (
      await send('POST', `/handovers/${handoverId}/returns`, body, {
        say: () => 'The goods are back, and can be handed over again.',
      })
    )
      setOpen(false)
  }
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Goods came back
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title={`Goods of handover ${number} came back`}>
        <p className="mb-3">
          They lie on the shelf again at what they had cost, and can be handed over again. What is invoiced comes back
          with a credit note instead.
        </p>
        <div className="grid gap-3">
          {lines.map((l, i) => (
            <QuantityField
              key={l.lineId}
              label={`${l.description}, of ${l.quantity}`}
              placeholder={chosen.length === 0 ? 'all that may come back' : '0'}
              value={back[l.lineId] ?? ''}
              onValue={(q) => setBack({ ...back, [l.lineId]: q })}
              problem={messageFor(refused, `lines.${i}.quantity`)}
            />
          ))}
          <WhyAndOn today={today} reason={reason} onReason={setReason} on={on} onOn={setOn} refused={refused} />
        </div>
        {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
        <Submit busy={busy} onDo={() => void go()}>
          They came back
        </Submit>
      </Panel>
    </>
  )
}
