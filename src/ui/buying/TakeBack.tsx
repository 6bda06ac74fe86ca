'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { VoidPanel } from './VoidPanel'

const CALLED = { credit: 'credit', 'set-off': 'set-off', refund: 'money back', 'landed-cost': 'landed cost' } as const

interface Props {
  readonly kind: keyof typeof CALLED
  readonly id: number
  readonly number: string
  readonly today: Day
}

/** The way back of something that was bought, beside it. */
export const TakeBack = ({ kind, id, number, today }: Props) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        className="ml-3 text-xs underline"
        aria-label={`Take ${CALLED[kind]} ${number} back`}
        onClick={() => setOpen(true)}
      >
        Take back
      </button>
      <VoidPanel kind={kind} id={id} today={today} open={open} onClose={() => setOpen(false)} />
    </>
  )
}
