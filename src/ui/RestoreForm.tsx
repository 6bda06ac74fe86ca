'use client'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import { Problem } from './form/Problem'
import { Text } from './fields'

interface Told {
  readonly business: string
  readonly made: string
  readonly rows: number
}

/** How often the place is asked whether it is back, in milliseconds, and how long. */
const [PAUSE, MOST_TIMES] = [500, 600]

/** Waits until the place is back, with a business or with why there is none. */
const waitForIt = async (): Promise<string> => {
  for (let i = 0; i < MOST_TIMES; i++) {
    await new Promise((r) => setTimeout(r, PAUSE))
    try {
      const answer = await fetch('/api/first-run')
      if (!answer.ok) continue
      const { there, said }: { readonly there: boolean; readonly said: string } = await answer.json()
      if (there) return ''
      if (said) return said
    } catch {
      // It is on its way.
    }
  }
  return 'It takes longer than five minutes. Look where the program was started: it says how it goes on.'
}

/** A backup instead of a new business: sent as it is, proved, and restored whole or not at all. */
export const RestoreForm = ({ needsCode, said }: { readonly needsCode: boolean; readonly said: string }) => {
  const [file, setFile] = useState<File | null>(null)
  const [code, setCode] = useState('')
  const [told, setTold] = useState<Told | null>(null)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState(said)
  const restore = async () => {
    if (!file) return setProblem('Choose the file of a backup.')
    setBusy(true)
    setProblem('')
    try {
      const answer = await fetch('/api/first-run/restore', {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream', 'x-till-code': encodeURIComponent(code) },
        body: file,
      })
      const body: Told & { readonly detail?: string } = await answer.json()
      if (!answer.ok) return setProblem(body.detail ?? 'It was not restored. Try again.')
      setTold(body)
      const why = await waitForIt()
      setTold(null)
      // A page of the business now, which knows nothing of this one.
      if (why === '') location.assign('/sign-in')
      else setProblem(why)
    } catch {
      setProblem('No answer came. Nothing was changed; try again.')
    } finally {
      setBusy(false)
    }
  }
  return (
    <details open={said !== ''} className="mt-5 border-t border-iron-300 pt-4">
      <summary className="cursor-pointer underline">Restore a backup instead</summary>
      <div className="mt-3 grid gap-3">
        <p className="sub">
          From Settings, Your data, or from the folder of nightly backups. All of it is restored, or nothing.
        </p>
        <div>
          <label className="label" htmlFor="backup-file">
            Backup
          </label>
          <input
            id="backup-file"
            type="file"
            className="field py-1.5"
            aria-invalid={problem ? true : undefined}
            aria-describedby={problem ? 'backup-note' : undefined}
            onChange={(e) => setFile(e.target.files?.[0] ?? null)}
          />
          {problem && <Problem id="backup-note">{problem}</Problem>}
        </div>
        {needsCode && (
          <Text label="Code for the backup" autoComplete="off" value={code} onChange={(e) => setCode(e.target.value)} />
        )}
        {told ? (
          <p role="status">
            Restoring {formatDigits(String(told.rows))} rows of {told.business}, as of {told.made} …
          </p>
        ) : (
          <button type="button" className="btn justify-self-start" disabled={busy} onClick={() => void restore()}>
            {busy ? 'Reading the backup …' : 'Restore'}
          </button>
        )}
      </div>
    </details>
  )
}
