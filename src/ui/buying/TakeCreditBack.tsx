'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const VoidForm = lazily(() => import('./VoidForm').then((m) => m.VoidForm))

/** The way back of a supplier's credit, beside it. */
export const TakeCreditBack = ({
  id,
  number,
  today,
}: {
  readonly id: number
  readonly number: string
  readonly today: Day
}) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button
        className="ml-3 text-xs underline"
        aria-label={`Take credit ${number} back`}
        onClick={() => setOpen(true)}
      >
        Take back
      </button>
      <Panel open={open} onClose={close} title="Take the credit back">
        <VoidForm kind="credit" id={id} today={today} onDone={close} />
      </Panel>
    </>
  )
}
