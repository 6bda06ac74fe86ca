'use client'
import { useState } from 'react'
import { MoneyField, Text } from '../fields'
import { Panel } from '../Panel'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly customerId: number
  readonly name: string
  readonly currency: string
  /** Which reminder is next; null where nothing is late. */
  readonly stage: number | null
  /** From when it may go; null: now. */
  readonly from: string | null
}

const NAMED = ['', 'first', 'second', 'last'] as const

/** Reminds one customer in the stage that is next, or gives their small rests up. */
export const ChaseCustomer = ({ customerId, name, currency, stage, from }: Props) => {
  const { send, busy, refused } = useSend()
  const [open, setOpen] = useState(false)
  const [upTo, setUpTo] = useState('1.00')
  const [reason, setReason] = useState('Too small to chase')
  return (
    <>
      {stage !== null && (
        <button
          className="btn"
          disabled={busy || from !== null}
          title={from ? `from ${from}` : undefined}
          onClick={() =>
            void send(
              'POST',
              `/customers/${customerId}/reminders`,
              {},
              { say: () => `The ${NAMED[stage]} reminder to ${name} waits in Post.` },
            )
          }
        >
          {from ? `${NAMED[stage]} reminder from ${from}` : `Write the ${NAMED[stage]} reminder`}
        </button>
      )}
      <button className="btn" onClick={() => setOpen(true)}>
        Give small rests up
      </button>
      {!open && <Refusal refused={refused} />}
      <Panel open={open} onClose={() => setOpen(false)} title="Small rests">
        <p className="mb-3">Every due of {name} with no more than this open is written off, sale by sale.</p>
        <div className="grid gap-3">
          <MoneyField
            label="Up to"
            currency={currency}
            value={upTo}
            onValue={setUpTo}
            problem={messageFor(refused, 'upTo')}
          />
          <Text
            label="Why"
            value={reason}
            maxLength={500}
            onChange={(e) => setReason(e.target.value)}
            problem={messageFor(refused, 'reason')}
          />
        </div>
        <Refusal refused={refused} />
        <button
          className="btn btn-do mt-4 w-full"
          data-primary
          disabled={busy}
          onClick={async () => {
            const done = await send(
              'POST',
              '/write-offs',
              { customerId, upTo, reason },
              { say: (w) => `${w.amount} written off.` },
            )
            if (done) setOpen(false)
          }}
        >
          Write them off
        </button>
      </Panel>
    </>
  )
}
