'use client'
import { useState } from 'react'
import type { z } from 'zod'
import type { Day } from '@/core/day'
import type { Undoable } from '@/core/sale'
import { lazily } from './lazily'
import { Panel } from './Panel'

const ReasonForm = lazily(() => import('./ReasonForm').then((m) => m.ReasonForm))

interface Undoing {
  readonly title: string
  readonly does: string
  readonly path: (id: number) => string
  readonly schema: () => Promise<z.ZodType>
  readonly done: string
}

/** What each paper's way back is, and does, before it is done. */
const UNDOING: Readonly<Record<Undoable, Undoing>> = {
  refund: {
    title: 'Void the refund',
    does: 'The money is back where it went from, and held for the customer again as it was.',
    path: (id) => `/refunds/${id}/void`,
    schema: () => import('@/contract/inputs/money/voidRefund').then((m) => m.voidRefundInput.omit({ refundId: true })),
    done: 'The refund is voided; its money is held again.',
  },
  'write-off': {
    title: 'Owed after all',
    does: 'What was written off is owed again: the loss is taken back from bad debts, with its tax.',
    path: (id) => `/write-offs/${id}/recover`,
    schema: () =>
      import('@/contract/inputs/money/recoverWriteOff').then((m) => m.recoverWriteOffInput.omit({ writeOffId: true })),
    done: 'It is owed again.',
  },
  'held-move': {
    title: 'Put the held money back',
    does: 'The held money lies where it lay before. What was moved must still be held where it went.',
    path: (id) => `/held-moves/${id}/reverse`,
    schema: () =>
      import('@/contract/inputs/money/reverseHeldMove').then((m) => m.reverseHeldMoveInput.omit({ transferId: true })),
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
  const what = UNDOING[kind]
  return (
    <>
      <button className="ml-2 text-xs text-iron-500 underline" onClick={() => setOpen(true)}>
        take back
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title={what.title}>
        <ReasonForm what={what} path={what.path(id)} today={today} onDone={() => setOpen(false)} />
      </Panel>
    </>
  )
}
