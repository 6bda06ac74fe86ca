'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { Undoable } from '@/core/sale'
import { Panel } from './Panel'
import { WhyAndOn } from './WhyAndOn'
import { Refusal } from './Refusal'
import { useSend } from './send'
import { Submit } from './sale/panels/parts'

interface Undoing {
  readonly title: string
  readonly does: string
  readonly path: (id: number) => string
  readonly done: string
}

/** What each paper's way back is, and does, before it is done. */
const UNDOING: Readonly<Record<Undoable, Undoing>> = {
  refund: {
    title: 'Void the refund',
    does: 'The money is back where it went from, and held for the customer again as it was.',
    path: (id) => `/refunds/${id}/void`,
    done: 'The refund is voided; its money is held again.',
  },
  'write-off': {
    title: 'Owed after all',
    does: 'What was written off is owed again: the loss is taken back from bad debts, with its tax.',
    path: (id) => `/write-offs/${id}/recover`,
    done: 'It is owed again.',
  },
  'held-move': {
    title: 'Put the held money back',
    does: 'The held money lies where it lay before. What was moved must still be held where it went.',
    path: (id) => `/held-moves/${id}/reverse`,
    done: 'The held money lies where it lay before.',
  },
}

/** A mistake taken back by a paper of its own: says what it will do, asks why and from which day. */
export const TakeBack = ({
  kind,
  id,
  today,
}: {
  readonly kind: Undoable
  readonly id: number
  readonly today: Day
}) => {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const [on, setOn] = useState<string>(today)
  const { send, busy, refused } = useSend()
  const what = UNDOING[kind]
  const go = async () => {
    if (await send('POST', what.path(id), { on, reason }, { say: () => what.done })) setOpen(false)
  }
  return (
    <>
      <button className="ml-2 text-xs text-iron-500 underline" onClick={() => setOpen(true)}>
        take back
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title={what.title}>
        <p className="mb-3">{what.does}</p>
        <div className="grid gap-3">
          <WhyAndOn today={today} reason={reason} onReason={setReason} on={on} onOn={setOn} refused={refused} />
        </div>
        {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
        <Submit busy={busy} onDo={() => void go()}>
          {what.title}
        </Submit>
      </Panel>
    </>
  )
}
