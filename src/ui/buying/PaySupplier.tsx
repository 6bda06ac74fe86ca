'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const PayForm = lazily(() => import('./PayForm').then((m) => m.PayForm))

interface Props {
  readonly supplierId: number
  readonly name: string
  readonly amount: string
  readonly saves: { readonly through: Day; readonly amount: string } | null
  readonly currency: string
  readonly today: Day
}

/** A button that opens a payment for all that a supplier is owed, filled in. */
export const PaySupplier = ({ supplierId, name, amount, saves, currency, today }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Pay
      </button>
      <Panel open={open} onClose={close} title={`Pay ${name}`}>
        <PayForm
          supplierId={supplierId}
          billId={null}
          amount={Number(amount) > 0 ? amount : ''}
          saves={saves}
          currency={currency}
          today={today}
          onDone={close}
        />
      </Panel>
    </>
  )
}
