'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormOn } from '../form/inputs'
import { Panel } from '../Panel'

const schema = () => import('@/contract/inputs/buying/setOff').then((m) => m.setOffInput)

interface Props {
  readonly supplierId: number
  readonly name: string
  /** What they owe us as a customer, and what we owe them. */
  readonly owed: string
  readonly owe: string
  readonly currency: string
  readonly today: Day
}

/** A button that sets off what a customer owes against what we owe the same people. */
export const SetOff = ({ supplierId, name, owed, owe, currency, today }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Set off
      </button>
      <Panel open={open} onClose={close} title={`Set off with ${name}`}>
        <CommandForm
          method="POST"
          path="/set-offs"
          schema={schema}
          start={{ amount: '', on: String(today) }}
          asBody={({ on, amount }) => ({ supplierId, on, ...(amount === '' ? {} : { amount }) })}
          say={(s) => `${s.number}: ${formatDigits(s.amount)} set off.`}
          preview={{ currency }}
          onDone={close}
          submit="Set off"
        >
          <p className="mb-3">
            They owe {formatDigits(owed)} as a customer, and are owed {formatDigits(owe)} as a supplier. The oldest is
            paid first on both sides; no money moves.
          </p>
          <div className="grid grid-cols-2 gap-3">
            <FormMoney name="amount" label="Amount (all, if empty)" currency={currency} />
            <FormOn today={today} />
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}
