'use client'
import { useState, type FormEvent } from 'react'
import { request, UNANSWERED } from '../http'
import { PassphraseField } from '../PassphraseField'

interface Props {
  /** The file, as the interface calls it. */
  readonly name: 'everything.json' | 'backup'
  readonly label: string
}

/** Everything in one file, for whoever types the passphrase again. */
export const SaveEverything = ({ name, label }: Props) => {
  const [passphrase, setPassphrase] = useState('')
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)
  const submit = async (e: FormEvent) => {
    e.preventDefault()
    setBusy(true)
    const proved = await request('/api/session', { method: 'PUT', body: { passphrase }, unanswered: UNANSWERED })
    setBusy(false)
    if (proved.ok) {
      setPassphrase('')
      setProblem('')
      // eslint-disable-next-line @next/next/no-location-assign-relative-destination -- a file to save, not a page
      location.assign(`/api/v1/export/${name}`)
      return
    }
    setProblem(proved.detail)
  }
  return (
    <form onSubmit={submit} className="flex items-end gap-2" noValidate>
      <div className="flex-1">
        <PassphraseField value={passphrase} onValue={setPassphrase} problem={problem || undefined} />
      </div>
      <button className="btn" disabled={busy}>
        {label}
      </button>
    </form>
  )
}
