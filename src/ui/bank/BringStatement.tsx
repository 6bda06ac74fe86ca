'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { AnswerTo } from '@/contract/calls'
import { FileButton } from '../files/FileButton'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
import { Select } from '../Select'
import { sendFile, type Refused } from '../http'

const ColumnsForm = lazily(() => import('./ColumnsForm').then((m) => m.ColumnsForm))

type Looked = AnswerTo<'POST', '/bank/look'>

interface Props {
  readonly accounts: readonly { readonly id: number; readonly name: string }[]
}

/** A statement from a file. Of a table whose columns are not known yet they are asked once. */
export const BringStatement = ({ accounts }: Props) => {
  const router = useRouter()
  const [account, setAccount] = useState(String(accounts[0]?.id ?? ''))
  const [refused, setRefused] = useState<Refused | null>(null)
  const [asked, setAsked] = useState<{ readonly file: File; readonly looked: Looked } | null>(null)
  const [busy, setBusy] = useState(false)
  const bring = async (file: File) => {
    if (busy) return
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
        <div>
          <FileButton
            primary
            accept=".csv,.txt,.ofx,.qfx,.xml,.053,.c53"
            hint="CSV, OFX or camt.053, as your bank gives it."
            disabled={busy}
            onFile={(file) => void bring(file)}
          >
            {busy ? 'Reading …' : 'Import a statement'}
          </FileButton>
        </div>
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
