'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const VoidForm = lazily(() => import('./VoidForm').then((m) => m.VoidForm))

const KINDS = {
  credit: { title: 'Take the credit back', called: 'credit' },
  'set-off': { title: 'Void the set-off', called: 'set-off' },
  refund: { title: 'Void the money back', called: 'money back' },
  'landed-cost': { title: 'Take the cost off the goods', called: 'landed cost' },
} as const

interface Props {
  readonly kind: keyof typeof KINDS
  readonly id: number
  readonly number: string
  readonly today: Day
}

/** The way back of something that was bought, beside it. */
export const TakeBack = ({ kind, id, number, today }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button
        className="ml-3 text-xs underline"
        aria-label={`Take ${KINDS[kind].called} ${number} back`}
        onClick={() => setOpen(true)}
      >
        Take back
      </button>
      <Panel open={open} onClose={close} title={KINDS[kind].title}>
        <VoidForm kind={kind} id={id} today={today} onDone={close} />
      </Panel>
    </>
  )
}
