'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const ReasonForm = lazily(() => import('../ReasonForm').then((m) => m.ReasonForm))

const WHAT = {
  bill: {
    title: 'Void the bill',
    does: 'It does not count from this day on: nothing is owed for it, and what came is not billed again.',
    done: 'The bill is void.',
    path: '/bills',
    schema: () => import('@/contract/inputs/buying/bills').then((m) => m.voidBillInput.omit({ billId: true })),
  },
  payment: {
    title: 'Void the payment',
    does: 'It did not happen: what it paid is owed again from this day on.',
    done: 'The payment is void.',
    path: '/supplier-payments',
    schema: () =>
      import('@/contract/inputs/buying/bills').then((m) => m.voidSupplierPaymentInput.omit({ paymentId: true })),
  },
} as const

interface Props {
  readonly kind: keyof typeof WHAT
  readonly id: number
  readonly today: Day
}

/** A supplier's bill or a payment taken back: why, and from which day. */
export const VoidBought = ({ kind, id, today }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  const what = WHAT[kind]
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Void
      </button>
      <Panel open={open} onClose={close} title={what.title}>
        <ReasonForm what={what} path={`${what.path}/${id}/void`} today={today} onDone={close} />
      </Panel>
    </>
  )
}
