'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { BillsDue } from '@/model/buying/payables'
import { CommandForm } from '../form/CommandForm'
import { FormOn } from '../form/inputs'
import { Panel } from '../Panel'

const schema = () => import('@/contract/inputs/buying/paymentRun').then((m) => m.paymentRunInput)

/** What a run made: the file for the bank, or the checks to print. */
interface Made {
  readonly label: string
  readonly href: string
  readonly download?: string
}

interface Props {
  readonly due: BillsDue
  readonly currency: string
  readonly today: Day
}

/** Pays what is due from the bank at once, one payment a supplier: as a file for the bank, and as checks where no bank account is known. */
export const PayDue = ({ due, currency, today }: Props) => {
  const [open, setOpen] = useState<'transfers' | 'checks' | null>(null)
  const [made, setMade] = useState<Made | null>(null)
  const close = () => setOpen(null)
  const checks = open === 'checks'
  const bills = checks ? due.byCheck : due.bills
  return (
    <>
      {made && (
        <a className="btn" {...made} target={made.download ? undefined : '_blank'}>
          {made.label}
        </a>
      )}
      {due.byCheck.length > 0 && (
        <button
          className={due.bills.length > 0 ? 'btn' : 'btn btn-do'}
          data-primary={due.bills.length > 0 ? undefined : true}
          onClick={() => setOpen('checks')}
        >
          Write checks
        </button>
      )}
      {due.bills.length > 0 && (
        <button className="btn btn-do" data-primary onClick={() => setOpen('transfers')}>
          Pay what is due
        </button>
      )}
      <Panel open={open !== null} onClose={close} title={checks ? 'Write checks' : 'Pay what is due'}>
        <CommandForm
          key={open}
          method="POST"
          path="/payment-runs"
          schema={schema}
          start={{ on: String(today) }}
          asBody={({ on }) => ({
            on,
            billIds: bills.map((b) => b.id),
            ...(checks ? { check: 'next' as const } : {}),
          })}
          say={({ payments }) => `${payments.length} ${payments.length === 1 ? 'payment' : 'payments'} made.`}
          preview={{ currency }}
          onDone={({ payments, file }) => {
            setMade(
              checks
                ? {
                    label: 'Print checks',
                    href: `/api/v1/export/checks.pdf?payments=${payments.map((p) => p.id).join(',')}`,
                  }
                : {
                    label: 'File for the bank',
                    href: `data:application/xml;charset=utf-8,${encodeURIComponent(file)}`,
                    download: 'payments.xml',
                  },
            )
            close()
          }}
          submit={checks ? 'Write the checks' : 'Pay from the bank'}
        >
          <p className="mb-3">
            {checks
              ? 'Due within a week, to suppliers whose bank account is not known. One check a supplier, early discounts taken.'
              : `Due within a week, or cheaper when paid by then: ${due.sum}. One payment a supplier, early discounts taken.`}
          </p>
          <ul className="mb-3">
            {bills.map((b) => (
              <li key={b.id}>{b.says}</li>
            ))}
          </ul>
          <FormOn today={today} />
        </CommandForm>
      </Panel>
    </>
  )
}
