'use client'
import { useState } from 'react'
import type { AnswerTo } from '@/contract/calls'
import type { OpeningList } from '@/contract/inputs/books/opening'
import { FileButton } from '../files/FileButton'
import { RowProblems } from '../files/RowProblems'
import { sendFile, type Refused } from '../http'
import { Refusal } from '../Refusal'
import type { FileRow } from './openingDraft'

interface Props {
  readonly list: OpeningList
  /** What is in it: `Unpaid invoices`. */
  readonly title: string
  /** Its columns, said to whoever makes one. */
  readonly columns: string
  readonly onRows: (rows: readonly FileRow[]) => void
}

type Read = AnswerTo<'POST', '/books/opening/read'>

/** Rows from a spreadsheet: all of them, or none and what is wrong with which. */
export const FromSpreadsheet = ({ list, title, columns, onRows }: Props) => {
  const [busy, setBusy] = useState(false)
  const [says, setSays] = useState('')
  const [refused, setRefused] = useState<Refused | null>(null)
  const [problems, setProblems] = useState<Read['problems']>([])
  const read = async (content: File) => {
    setBusy(true)
    setRefused(null)
    const sent = await sendFile<Read>(`/books/opening/read?list=${list}`, content)
    setBusy(false)
    setProblems(sent.ok ? sent.value.problems : [])
    if (!sent.ok) {
      setSays('')
      return setRefused(sent)
    }
    const { rows, problems: wrong } = sent.value
    if (wrong.length > 0)
      return setSays(`Nothing taken from ${content.name}. Correct these rows, then choose it again.`)
    setSays(`${rows.length} ${rows.length === 1 ? 'row' : 'rows'} from ${content.name}.`)
    onRows(rows)
  }
  return (
    <div className="mb-2">
      <FileButton
        accept=".csv,.xlsx"
        name={`Import: ${title}`}
        hint={`CSV or XLSX with the columns ${columns}.`}
        disabled={busy}
        onFile={(file) => void read(file)}
      >
        {busy ? 'Reading …' : 'Import'}
      </FileButton>
      <p role="status" className={says === '' ? 'sr-only' : 'mt-1'}>
        {says}
      </p>
      <Refusal refused={refused} />
      {problems.length > 0 && <RowProblems problems={problems} />}
    </div>
  )
}
