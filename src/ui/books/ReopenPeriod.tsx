'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { Submit } from '../sale/panels/parts'

/** Takes a closing back: with the passphrase, and a reason that stays in the log. */
export const ReopenPeriod = ({ today, onDone }: { readonly today: Day; readonly onDone: () => void }) => {
  const [through, setThrough] = useState('')
  const [passphrase, setPassphrase] = useState('')
  const [reason, setReason] = useState('')
  const { send, busy, refused } = useSend()
  const go = async () => {
    const body = { through: through || null, passphrase, reason }
    if (await send('POST', '/books/reopen', body, { say: () => 'Reopened. It stands in the list of closings.' }))
      onDone()
  }
  return (
    <>
      <p className="mb-3">
        What was reported of that time may change from now on. Closing and reopening both stay in the list of closings,
        with their reasons.
      </p>
      <div className="grid gap-3">
        <DayField
          label="Stays closed through"
          today={today}
          value={through}
          onValue={setThrough}
          problem={messageFor(refused, 'through')}
          hint="empty: everything is open again"
        />
        <Text
          label="Why"
          value={reason}
          maxLength={500}
          onChange={(e) => setReason(e.target.value)}
          problem={messageFor(refused, 'reason')}
        />
        <Text
          label="Your passphrase again"
          type="password"
          autoComplete="current-password"
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
          problem={messageFor(refused, 'passphrase')}
        />
      </div>
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <Submit busy={busy} onDo={() => void go()}>
        Reopen
      </Submit>
    </>
  )
}
