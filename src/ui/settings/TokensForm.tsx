'use client'
import { useState } from 'react'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Token {
  readonly id: number
  readonly name: string
  readonly until: string
  readonly readOnly: boolean
}

/** Tokens for other programs: which there are, and another one, shown once. */
export const TokensForm = ({ tokens }: { readonly tokens: readonly Token[] }) => {
  const [token, setToken] = useState({ name: '', passphrase: '', readOnly: false })
  const [made, setMade] = useState('')
  const { send, busy, refused } = useSend()
  const make = async () => {
    const answer = await send('POST', '/settings/tokens', token, {})
    if (!answer) return
    setMade(answer.token)
    setToken({ name: '', passphrase: '', readOnly: false })
  }
  const withdraw = (t: Token) =>
    send('DELETE', `/settings/tokens/${t.id}`, {}, { say: () => `The token “${t.name}” no longer opens anything.` })
  return (
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
                  <button className="underline" aria-label={`Withdraw ${t.name}`} onClick={() => void withdraw(t)}>
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
          problem={messageFor(refused, 'name')}
        />
        <Text
          label="Your passphrase again"
          type="password"
          autoComplete="current-password"
          value={token.passphrase}
          onChange={(e) => setToken({ ...token, passphrase: e.target.value })}
          problem={messageFor(refused, 'passphrase')}
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
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <p>
        <button className="btn" disabled={busy} onClick={() => void make()}>
          Make a token
        </button>
      </p>
    </section>
  )
}
