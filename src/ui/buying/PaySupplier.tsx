'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const PayForm = lazily(() => import('./PayForm').then((m) => m.PayForm))

interface Props {
  readonly supplierId: number
  readonly name: string
  readonly owed: string
  /** Just this bill; left out, the oldest first. */
  readonly billId?: number
  readonly discount?: { readonly through: Day; readonly amount: string } | null
  readonly currency: string
  readonly today: Day
  readonly primary?: boolean
}

/** A button that opens a payment to a supplier, filled in. */
export const PaySupplier = ({ supplierId, name, owed, billId, discount, currency, today, primary = false }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button
        className={`btn ${primary ? 'btn-do' : ''}`}
        data-primary={primary ? true : undefined}
        onClick={() => setOpen(true)}
      >
        Pay
      </button>
      <Panel open={open} onClose={close} title={`Pay ${name}`}>
        <PayForm
          supplierId={supplierId}
          billId={billId ?? null}
          amount={Number(owed) > 0 ? owed : ''}
          discount={discount ?? null}
          currency={currency}
          today={today}
          onDone={close}
        />
      </Panel>
    </>
  )
}
