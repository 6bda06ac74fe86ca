'use client'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, MoneyField, Text } from '../fields'
import { Panel } from '../Panel'
import { WriteLetter } from '../post/WriteLetter'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { WhyAndOn } from '@/ui/WhyAndOn'

interface Props {
  readonly id: number
  readonly number: string
  readonly today: Day
  readonly mayVoid: boolean
  readonly mayBounce: boolean
  readonly method: string
  readonly currency: string
  readonly bounceFee: string
  readonly print: boolean
}

/** A receipt as PDF or narrow slip; or taken back. */
export const ReceiptActions = ({
  id,
  number,
  today,
  mayVoid,
  mayBounce,
  method,
  currency,
  bounceFee,
  print,
}: Props) => {
  const [voiding, setVoiding] = useState(false)
  const [bouncing, setBouncing] = useState(false)
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
      {mayBounce && (
        <button className="btn" onClick={() => setBouncing(true)}>
          It came back
        </button>
      )}
      {bouncing && (
        <Bounce {...{ id, number, today, method, currency, bounceFee }} onClose={() => setBouncing(false)} />
      )}
      <Panel open={voiding} onClose={() => setVoiding(false)} title={`Void receipt ${number}`}>
        <p className="mb-3">
          Its entry is reversed on the day you give; what it paid opens again. The receipt itself stays, crossed out.
        </p>
        <div className="grid gap-3">
          <WhyAndOn today={today} reason={reason} onReason={setReason} on={on} onOn={setOn} refused={refused} />
        </div>
        <Refusal refused={refused} />
        <button className="btn btn-do mt-4" data-primary disabled={busy} onClick={() => void go()}>
          Void it
        </button>
      </Panel>
    </>
  )
}

/** The cheque bounced, or the card payment was reversed. */
const Bounce = ({
  id,
  number,
  today,
  method,
  currency,
  bounceFee,
  onClose,
}: Omit<Props, 'mayVoid' | 'mayBounce' | 'print'> & { readonly onClose: () => void }) => {
  const { send, busy, refused } = useSend()
  const [reason, setReason] = useState('')
  const [on, setOn] = useState<string>(today)
  const [bankFee, setBankFee] = useState('')
  const [fee, setFee] = useState(bounceFee)
  const go = async () => {
    const done = await send(
      'POST',
      `/receipts/${id}/bounce`,
      { on, reason, fee: fee || '0', bankFee: bankFee || '0' },
      { say: () => `Receipt ${number} came back; what it had paid is owed again.` },
    )
    if (done) onClose()
  }
  return (
    <Panel open onClose={onClose} title={method === 'cheque' ? 'The cheque bounced' : 'The payment was reversed'}>
      <p className="mb-3">
        The money leaves the account it lies in now, and what it had paid is owed again, also where it was held first
        and put on a bill later.
      </p>
      <div className="grid gap-3">
        <Text
          label="What the bank says"
          value={reason}
          maxLength={500}
          onChange={(e) => setReason(e.target.value)}
          problem={messageFor(refused, 'reason')}
        />
        <MoneyField label="What the bank took for it" currency={currency} value={bankFee} onValue={setBankFee} />
        <MoneyField
          label="What we charge for it"
          currency={currency}
          value={fee}
          onValue={setFee}
          problem={messageFor(refused, 'fee')}
        />
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Refusal refused={refused} />
      <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={() => void go()}>
        It came back
      </button>
    </Panel>
  )
}
