'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { BillsDue } from '@/model/buying/payables'
import { CommandForm } from '../form/CommandForm'
import { FormOn } from '../form/inputs'
import { Panel } from '../Panel'

const schema = () => import('@/contract/inputs/buying/paymentRun').then((m) => m.paymentRunInput)

/** Pays what is due from the bank at once, one payment a supplier; the file for the bank can be saved after. */
export const PayDue = ({ due, currency, today }: { due: BillsDue; currency: string; today: Day }) => {
  const [open, setOpen] = useState(false)
  const [file, setFile] = useState<string | null>(null)
  const close = () => setOpen(false)
  return (
    <>
      {file !== null && (
        <a
          className="btn"
          download="payments.xml"
          href={`data:application/xml;charset=utf-8,${encodeURIComponent(file)}`}
        >
          File for the bank
        </a>
      )}
      {due.bills.length > 0 && (
        <button className="btn btn-do" data-primary onClick={() => setOpen(true)}>
          Pay what is due
        </button>
      )}
      <Panel open={open} onClose={close} title="Pay what is due">
        <CommandForm
          method="POST"
          path="/payment-runs"
          schema={schema}
          start={{ on: String(today) }}
          asBody={({ on }) => ({ on, billIds: due.bills.map((b) => b.id) })}
          say={({ payments }) => `${payments.length} ${payments.length === 1 ? 'payment' : 'payments'} made.`}
          preview={{ currency }}
          onDone={(made) => {
            setFile(made.file)
            close()
          }}
          submit="Pay from the bank"
        >
          <p className="mb-3">
            Due within a week, or cheaper when paid by then: {due.sum}. One payment a supplier, early discounts taken.
          </p>
          <ul className="mb-3">
            {due.bills.map((b) => (
              <li key={b.id}>{b.says}</li>
            ))}
          </ul>
          {due.noBank > 0 && (
            <p className="sub mb-3">
              Not among them: {due.noBank} {due.noBank === 1 ? 'bill' : 'bills'} of suppliers whose bank account is not
              known. Add it to the supplier.
            </p>
          )}
          <FormOn today={today} />
        </CommandForm>
      </Panel>
    </>
  )
}
