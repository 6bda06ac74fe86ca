'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, Text } from '../fields'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { LineEditor } from './LineEditor'
import { toInput, type DraftSettings, type LineDraft } from './lineDraft'

interface Props {
  readonly saleId: number
  readonly number: number
  readonly agreed: boolean
  readonly title: string
  readonly note: string
  readonly wantedBy: string
  readonly today: Day
  readonly lines: readonly LineDraft[]
  readonly settings: DraftSettings
}

/** The lines of a sale opened for change: a new draft before agreement, a new agreed version after. */
export const ChangeLines = (p: Props) => {
  const [lines, setLines] = useState(p.lines)
  const [title, setTitle] = useState(p.title)
  const [note, setNote] = useState(p.note)
  const [wantedBy, setWantedBy] = useState(p.wantedBy)
  const { send, busy, refused } = useSend()
  const save = () =>
    send(
      'POST',
      `/sales/${p.saleId}/change`,
      { lines: toInput(lines), title, note, wantedBy: wantedBy || null },
      {
        say: () =>
          p.agreed
            ? `What is agreed on sale ${p.number} is changed; the version before is kept.`
            : `Sale ${p.number} is changed.`,
        go: () => `/sales/${p.saleId}`,
      },
    )
  return (
    <div className="grid gap-4">
      <div className="grid gap-4 md:grid-cols-[1.2fr_1.2fr_180px]">
        <Text label="About" value={title} maxLength={200} onChange={(e) => setTitle(e.target.value)} />
        <Text
          label="Notes for the whole"
          value={note}
          maxLength={4000}
          onChange={(e) => setNote(e.target.value)}
        />
        <DayField label="Wanted by" today={p.today} value={wantedBy} onValue={setWantedBy} />
      </div>
      <Refusal refused={refused} />
      <LineEditor lines={lines} onLines={setLines} settings={p.settings} />
      <div className="-mt-36 flex items-center gap-3">
        <button className="btn btn-do" disabled={busy} data-primary onClick={() => void save()}>
          {p.agreed ? 'Agree to the change' : 'Keep the change'}
        </button>
        <span className="sub">Ctrl Enter</span>
      </div>
    </div>
  )
}
