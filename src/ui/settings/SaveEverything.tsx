'use client'
import { useState, type FormEvent } from 'react'
import { request, UNANSWERED } from '../http'
import { PassphraseField } from '../PassphraseField'

type Name = 'backup' | 'everything.json'

/** Everything in one file, a backup or an open file, for whoever types the passphrase again. */
export const SaveEverything = () => {
  const [passphrase, setPassphrase] = useState('')
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)
  const save = async (name: Name) => {
    setBusy(true)
    const proved = await request('/api/session', { method: 'PUT', body: { passphrase }, unanswered: UNANSWERED })
    setBusy(false)
    if (!proved.ok) return setProblem(proved.detail)
    setPassphrase('')
    setProblem('')
    location.assign(`/api/v1/export/${name}`)
  }
  const submit = (e: FormEvent) => {
    e.preventDefault()
    void save('backup')
  }
  return (
    <form onSubmit={submit} className="grid gap-3" noValidate>
      <PassphraseField value={passphrase} onValue={setPassphrase} problem={problem || undefined} />
      <div className="flex flex-wrap gap-3">
        <button className="btn" disabled={busy}>
          Download a backup
        </button>
        <button type="button" className="btn" disabled={busy} onClick={() => void save('everything.json')}>
          Export everything (JSON)
        </button>
      </div>
    </form>
  )
}
