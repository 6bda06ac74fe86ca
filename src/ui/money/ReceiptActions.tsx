'use client'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, Text } from '../fields'
import { Panel } from '../Panel'
import { WriteLetter } from '../post/WriteLetter'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly id: number
  readonly number: string
  readonly today: Day
  readonly mayVoid: boolean
  readonly print: boolean
}

/** A receipt as PDF or narrow slip; or taken back. */
export const ReceiptActions = ({ id, number, today, mayVoid, print }: Props) => {
  const [voiding, setVoiding] = useState(false)
  const [reason, setReason] = useState('')
  const [on, setOn] = useState<string>(today)
  const { send, busy, refused } = useSend()
  useEffect(() => {
    if (print) window.open(`/api/v1/export/receipts/${id}/slip.pdf`, '_blank')
  }, [print, id])
  const go = async () => {
    if (
      await send(
        'POST',
        `/receipts/${id}/void`,
        { on, reason },
        { say: () => `Receipt ${number} is voided; what it paid is open again.` },
      )
    )
      setVoiding(false)
  }
  return (
    <>
      <a className="btn" href={`/api/v1/export/receipts/${id}.pdf`} target="_blank">
        PDF
      </a>
      <a className="btn" href={`/api/v1/export/receipts/${id}/slip.pdf`} target="_blank">
        Narrow slip
      </a>
      <WriteLetter paper="receipt" paperId={id} />
      {mayVoid && (
        <button className="btn" onClick={() => setVoiding(true)}>
          Void
        </button>
      )}
      <Panel open={voiding} onClose={() => setVoiding(false)} title={`Void receipt ${number}`}>
        <p className="mb-3">
          Its entry is reversed on the day you give; what it paid opens again. The receipt itself stays,
          crossed out.
        </p>
        <div className="grid gap-3">
          <Text
            label="Why"
            value={reason}
            maxLength={500}
            onChange={(e) => setReason(e.target.value)}
            problem={messageFor(refused, 'reason')}
          />
          <DayField label="On" today={today} value={on} onValue={setOn} />
        </div>
        <Refusal refused={refused} />
        <button className="btn btn-do mt-4" data-primary disabled={busy} onClick={() => void go()}>
          Void it
        </button>
      </Panel>
    </>
  )
}
