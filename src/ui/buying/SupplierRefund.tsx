'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { PayFrom } from '@/core/kinds'
import { formatDigits } from '@/core/locale'
import { PAY_FROM_NAMES } from '@/core/names'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormOn, FormPick } from '../form/inputs'
import { Panel } from '../Panel'

const schema = () => import('@/contract/inputs/buying/supplierRefund').then((m) => m.supplierRefundInput)
const START: { into: PayFrom } = { into: 'bank' }

interface Props {
  readonly supplierId: number
  readonly name: string
  /** What is left of what was paid in advance. */
  readonly ahead: string
  readonly currency: string
  readonly today: Day
}

/** A button that takes money back that was paid to a supplier in advance. */
export const SupplierRefund = ({ supplierId, name, ahead, currency, today }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Money back
      </button>
      <Panel open={open} onClose={close} title={`Money back from ${name}`}>
        <CommandForm
          method="POST"
          path="/supplier-refunds"
          schema={schema}
          start={{ ...START, amount: ahead, on: String(today) }}
          asBody={(d) => ({ supplierId, ...d })}
          say={(r) => `${r.number}: ${formatDigits(r.amount)} back from ${r.supplier}.`}
          preview={{ currency }}
          onDone={close}
          submit="Take money back"
        >
          <div className="grid grid-cols-2 gap-3">
            <FormMoney name="amount" label="Amount" currency={currency} />
            <FormPick name="into" label="To" options={PAY_FROM_NAMES} />
            <FormOn today={today} />
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}
