'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

/** The passphrase, and the way out. */
export const PassphraseForm = () => {
  const router = useRouter()
  const [pass, setPass] = useState({ now: '', next: '' })
  const { send, busy, refused } = useSend()
  const signOut = async () => {
    await fetch('/api/session', { method: 'DELETE' })
    router.push('/sign-in')
  }
  return (
    <section className="grid gap-3">
      <h2>The door</h2>
      <div className="grid grid-cols-2 gap-3">
        <Text
          label="Passphrase now"
          type="password"
          autoComplete="current-password"
          value={pass.now}
          onChange={(e) => setPass({ ...pass, now: e.target.value })}
        />
        <Text
          label="New passphrase"
          type="password"
          autoComplete="new-password"
          value={pass.next}
          onChange={(e) => setPass({ ...pass, next: e.target.value })}
          problem={messageFor(refused, 'next')}
        />
      </div>
      <Refusal refused={refused} />
      <p className="flex gap-2">
        <button
          className="btn"
          disabled={busy}
          onClick={() =>
            void send('POST', '/settings/passphrase', pass, {
              say: () => 'Changed. Every open session and every token has ended; sign in again.',
              go: () => '/sign-in',
            })
          }
        >
          Change the passphrase
        </button>
        <button className="btn" onClick={() => void signOut()}>
          Sign out
        </button>
      </p>
    </section>
  )
}
