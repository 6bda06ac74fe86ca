'use client'
import { useState } from 'react'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
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
const LEADING = ['', 'First', 'Second', 'Last'] as const
const SmallRests = lazily(() => import('./SmallRests').then((m) => m.SmallRests))

/** Reminds one customer in the stage that is next, or gives their small rests up. */
export const ChaseCustomer = ({ customerId, name, currency, stage, from }: Props) => {
  const { send, busy, refused } = useSend()
  const [open, setOpen] = useState(false)
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
              { say: () => `The ${NAMED[stage]} reminder to ${name} is ready in Mail.` },
            )
          }
        >
          {from ? `${LEADING[stage]} reminder from ${from}` : `Send ${NAMED[stage]} reminder`}
        </button>
      )}
      <button className="btn" onClick={() => setOpen(true)}>
        Write off small balances
      </button>
      {!open && <Refusal refused={refused} />}
      <Panel open={open} onClose={() => setOpen(false)} title="Write off small balances">
        <SmallRests {...{ customerId, name, currency }} onDone={() => setOpen(false)} />
      </Panel>
    </>
  )
}
