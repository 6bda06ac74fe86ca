'use client'
import { useState } from 'react'
import { addMonths, formatDay, type Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormOn, FormReason } from '../form/inputs'
import { rhythmBody, RhythmFields, type RhythmDraft } from '../form/RhythmFields'
import { Panel } from '../Panel'

interface Props {
  readonly id: number
  readonly on: Day
  readonly today: Day
  readonly mayRepeat: boolean
}

const inputs = () => import('@/contract/inputs/books/writeEntry')
const toReverse = () => inputs().then((m) => m.reverseEntryInput.omit({ entryId: true }))
const toRepeat = () => inputs().then((m) => m.startEntryRepeatInput.omit({ entryId: true }))

/** What can be done with an entry of one's own: taken back, or repeated. */
export const EntryActs = ({ id, on, today, mayRepeat }: Props) => {
  const [open, setOpen] = useState<'reverse' | 'repeat' | null>(null)
  const close = () => setOpen(null)
  const next = addMonths(on, 1)
  const rhythm: RhythmDraft = { every: 'month', firstOn: String(next < today ? today : next), times: '', until: '' }
  return (
    <>
      {mayRepeat && (
        <button className="btn" onClick={() => setOpen('repeat')}>
          Repeat
        </button>
      )}
      <button className="btn" onClick={() => setOpen('reverse')}>
        Reverse
      </button>
      <Panel open={open === 'reverse'} onClose={close} title="Reverse the entry">
        <CommandForm
          method="POST"
          path={`/books/entries/${id}/reverse`}
          schema={toReverse}
          start={{ on: String(today), reason: '' }}
          asBody={(d) => d}
          say={(e) => `Reversed by entry ${e.id}.`}
          onDone={close}
          submit="Reverse entry"
        >
          <p className="mb-3">The same is posted the other way round. Both entries stay.</p>
          <div className="grid gap-3">
            <FormReason most={300} />
            <FormOn today={today} />
          </div>
        </CommandForm>
      </Panel>
      <Panel open={open === 'repeat'} onClose={close} title="Repeat the entry">
        <CommandForm
          method="POST"
          path={`/books/entries/${id}/repeats`}
          schema={toRepeat}
          start={rhythm}
          asBody={rhythmBody}
          say={(r) => `Repeats, first on ${formatDay(r.nextOn ?? r.firstOn)}.`}
          onDone={close}
          submit="Start repeating"
        >
          <p className="mb-3">The same entry is posted on each of its dates.</p>
          <RhythmFields today={today} />
        </CommandForm>
      </Panel>
    </>
  )
}
