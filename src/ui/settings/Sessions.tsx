'use client'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Session {
  readonly id: number
  readonly browser: string
  /** The one that looks at this. */
  readonly here: boolean
  readonly since: string
  readonly used: string
}

/** Where the owner is signed in; each ended from here. */
export const Sessions = ({ sessions }: { readonly sessions: readonly Session[] }) => {
  const { send, busy, refused } = useSend()
  const end = (s: Session) =>
    send('DELETE', `/settings/sessions/${s.id}`, {}, { say: () => `${s.browser} is signed out.` })
  const others = sessions.filter((s) => !s.here)
  const endAll = async () => {
    for (const s of others) {
      const then = s === others.at(-1) ? { say: () => 'Signed out everywhere else.' } : {}
      // Where one is not ended, it is not said of all.
      if ((await send('DELETE', `/settings/sessions/${s.id}`, {}, then)) === null) return
    }
  }
  return (
    <section className="grid gap-3">
      <h2>Where you are signed in</h2>
      <table className="ledger">
        <tbody>
          {sessions.map((s) => (
            <tr key={s.id}>
              <td>{s.browser}</td>
              <td className="sub">
                since {s.since}, last used {s.used}
              </td>
              <td className="r">
                {s.here ? (
                  'here'
                ) : (
                  <button
                    type="button"
                    className="underline"
                    aria-label={`End session: ${s.browser}, since ${s.since}`}
                    disabled={busy}
                    onClick={() => void end(s)}
                  >
                    End session
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Refusal refused={refused} />
      {others.length > 1 && (
        <button type="button" className="btn justify-self-start" disabled={busy} onClick={() => void endAll()}>
          Sign out everywhere else
        </button>
      )}
    </section>
  )
}
