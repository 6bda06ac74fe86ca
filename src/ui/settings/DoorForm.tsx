'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly tokens: readonly {
    readonly id: number
    readonly name: string
    readonly until: string
    readonly readOnly: boolean
  }[]
}

/** The passphrase, and tokens for other programs. */
export const DoorForm = ({ tokens }: Props) => {
  const router = useRouter()
  const [pass, setPass] = useState({ now: '', next: '' })
  const [token, setToken] = useState({ name: '', passphrase: '', readOnly: false })
  const [made, setMade] = useState('')
  const door = useSend()
  const keys = useSend()
  const signOut = async () => {
    await fetch('/api/session', { method: 'DELETE' })
    router.push('/sign-in')
  }
  return (
    <div className="grid content-start gap-7">
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
            problem={messageFor(door.refused, 'next')}
          />
        </div>
        <Refusal refused={door.refused} />
        <p className="flex gap-2">
          <button
            className="btn"
            disabled={door.busy}
            onClick={() =>
              void door.send('POST', '/settings/passphrase', pass, {
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
      <section className="grid gap-3">
        <h2>Tokens for other programs</h2>
        {tokens.length > 0 && (
          <table className="ledger">
            <tbody>
              {tokens.map((t) => (
                <tr key={t.id}>
                  <td>{t.name}</td>
                  <td className="sub">
                    {t.readOnly ? 'reads only, ' : ''}until {t.until}
                  </td>
                  <td className="r">
                    <button
                      className="underline"
                      aria-label={`Withdraw ${t.name}`}
                      onClick={() =>
                        void keys.send(
                          'DELETE',
                          `/settings/tokens/${t.id}`,
                          {},
                          {
                            say: () => `The token “${t.name}” no longer opens anything.`,
                          },
                        )
                      }
                    >
                      withdraw
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {made && (
          <p role="status" className="border-l-4 border-patina-700 bg-patina-100 px-3 py-2">
            It is shown this once: <code className="font-figure break-all">{made}</code>
          </p>
        )}
        <div className="grid grid-cols-2 gap-3">
          <Text
            label="Made for"
            value={token.name}
            maxLength={80}
            onChange={(e) => setToken({ ...token, name: e.target.value })}
            problem={messageFor(keys.refused, 'name')}
          />
          <Text
            label="Your passphrase again"
            type="password"
            autoComplete="current-password"
            value={token.passphrase}
            onChange={(e) => setToken({ ...token, passphrase: e.target.value })}
            problem={messageFor(keys.refused, 'passphrase')}
          />
        </div>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={token.readOnly}
            onChange={(e) => setToken({ ...token, readOnly: e.target.checked })}
          />{' '}
          It may only read
        </label>
        {keys.refused && keys.refused.errors.length === 0 && <Refusal refused={keys.refused} />}
        <p>
          <button
            className="btn"
            disabled={keys.busy}
            onClick={() =>
              void keys.send('POST', '/settings/tokens', token, {}).then((t) => {
                if (!t) return
                setMade(t.token)
                setToken({ name: '', passphrase: '', readOnly: false })
              })
            }
          >
            Make a token
          </button>
        </p>
      </section>
    </div>
  )
}
