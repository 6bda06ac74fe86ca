'use client'
import { present } from '@/core/present'
import { useState } from 'react'
import { addDays, formatDay, day } from '@/core/day'
import { DayField, Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps } from './parts'

/** The pressing step: put off until a day, or done away with for a reason. */
export const PutOff = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [until, setUntil] = useState<string>(addDays(today, 7))
  const [reason, setReason] = useState('')
  const step = present(sale.step)
  const putOff = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/next/put-off`,
      { action: step.action, until },
      {
        say: () => `It comes back on ${formatDay(day(until))}.`,
      },
    )
    if (done) onClose()
  }
  const drop = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/next/drop`,
      { action: step.action, reason },
      {
        say: () => 'Done away with. It comes back only when something new happens.',
      },
    )
    if (done) onClose()
  }
  return (
    <>
      <p className="mb-3">{step.why}.</p>
      <DayField label="Until" today={today} value={until} onValue={setUntil} problem={messageFor(refused, 'until')} />
      <Submit busy={busy} onDo={() => void putOff()}>
        Put it off
      </Submit>
      <div className="mt-6 border-t border-paper-300 pt-4">
        <Text
          label="Or it need not be done, because"
          value={reason}
          maxLength={200}
          onChange={(e) => setReason(e.target.value)}
          problem={messageFor(refused, 'reason')}
        />
        <button className="btn mt-2" disabled={busy} onClick={() => void drop()}>
          Do away with it
        </button>
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
    </>
  )
}
