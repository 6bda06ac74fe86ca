'use client'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { AnswerTo } from '@/contract/calls'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
import { Select } from '../Select'
import { newKey, request, UNANSWERED, type Refused } from '../http'

const ColumnsForm = lazily(() => import('./ColumnsForm').then((m) => m.ColumnsForm))

type Looked = AnswerTo<'POST', '/bank/look'>

interface Props {
  readonly accounts: readonly { readonly id: number; readonly name: string }[]
}

const TYPE = 'application/octet-stream'
const sendFile = <T,>(path: string, content: File) =>
  request<T>(`/api/v1${path}`, { method: 'POST', key: newKey(), file: { type: TYPE, content }, unanswered: UNANSWERED })

/** A statement from a file. Of a table whose columns are not known yet they are asked once. */
export const BringStatement = ({ accounts }: Props) => {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [account, setAccount] = useState(String(accounts[0]?.id ?? ''))
  const [refused, setRefused] = useState<Refused | null>(null)
  const [asked, setAsked] = useState<{ readonly file: File; readonly looked: Looked } | null>(null)
  const [busy, setBusy] = useState(false)
  const bring = async (file: File | undefined) => {
    if (!file || busy) return
    setBusy(true)
    setRefused(null)
    const name = encodeURIComponent(file.name.slice(0, 200))
    const sent = await sendFile<AnswerTo<'POST', '/bank/statements'>>(
      `/bank/statements?bankAccountId=${account}&name=${name}`,
      file,
    )
    if (sent.ok) router.push(`/money-in/statements/${sent.value.id}`)
    else if (sent.type?.endsWith(':columns-unknown')) {
      const looked = await sendFile<Looked>('/bank/look', file)
      if (looked.ok) setAsked({ file, looked: looked.value })
      else setRefused(looked)
    } else setRefused(sent)
    setBusy(false)
    if (input.current) input.current.value = ''
  }
  return (
    <div className="mb-5">
      <div className="flex flex-wrap items-end gap-3">
        {accounts.length > 1 && (
          <Select
            label="Account"
            value={account}
            options={Object.fromEntries(accounts.map((a) => [String(a.id), a.name]))}
            onValue={setAccount}
          />
        )}
        <label className="btn btn-do cursor-pointer focus-within:outline-2 focus-within:outline-rust-600">
          {busy ? 'Reading …' : 'Import a statement'}
          <input
            ref={input}
            type="file"
            accept=".csv,.txt,.ofx,.qfx,.xml,.053,.c53"
            aria-describedby="statement-file"
            className="sr-only"
            disabled={busy}
            onChange={(e) => void bring(e.target.files?.[0])}
          />
        </label>
        <span id="statement-file" className="sub">
          CSV, OFX or camt.053, as your bank gives it.
        </span>
      </div>
      <Refusal refused={refused} />
      <Panel open={asked !== null} onClose={() => setAsked(null)} title="Which column is what?">
        {asked && (
          <ColumnsForm
            bankAccountId={Number(account)}
            looked={asked.looked}
            onDone={() => {
              setAsked(null)
              void bring(asked.file)
            }}
          />
        )}
      </Panel>
    </div>
  )
}
