'use client'
import { useState } from 'react'
import { useSendAlone } from '../send'
import { SureButton } from '../SureButton'

/** The secret address of the calendar: made anew, or ended. */
export const CalendarLink = () => {
  const [made, setMade] = useState('')
  const { send, busy } = useSendAlone()
  const make = async () => {
    const link = await send('POST', '/calendar', {})
    if (link) setMade(`${location.origin}${link.path}`)
  }
  const end = async () => {
    if (await send('DELETE', '/calendar', {}, { say: () => 'The calendar is closed.' })) setMade('')
  }
  return (
    <section>
      <h2>Calendar</h2>
      <p className="mb-2">
        What falls due and what is needed by when, for your own calendar program. Whoever has the address can read it;
        another one ends the one before.
      </p>
      {made && (
        <p role="status" className="notice notice-good mb-2">
          Copy it now, it is shown only once: <code className="font-figure break-all">{made}</code>
        </p>
      )}
      <div className="flex gap-3">
        <button className="btn" disabled={busy} onClick={() => void make()}>
          New address
        </button>
        <SureButton className="underline" label="End the address" sure="End for good" onSure={() => void end()}>
          End the address
        </SureButton>
      </div>
    </section>
  )
}
