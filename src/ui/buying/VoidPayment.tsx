'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const VoidForm = lazily(() => import('./VoidForm').then((m) => m.VoidForm))

/** A button that takes a payment to a supplier back. */
export const VoidPayment = ({ id, today }: { readonly id: number; readonly today: Day }) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Void
      </button>
      <Panel open={open} onClose={close} title="Void the payment">
        <VoidForm kind="payment" id={id} today={today} onDone={close} />
      </Panel>
    </>
  )
}
