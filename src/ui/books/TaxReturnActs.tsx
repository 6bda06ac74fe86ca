'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { PAY_FROM_NAMES } from '@/core/names'
import type { PayFrom } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormOn, FormPick, FormReason } from '../form/inputs'
import { Panel } from '../Panel'

const inputs = () => import('@/contract/inputs/books/taxReturn')
const toPay = () => inputs().then((m) => m.payTaxReturnInput.omit({ returnId: true }))
const toUnpay = () => inputs().then((m) => m.unpayTaxReturnInput.omit({ returnId: true }))
const nothing = () => import('zod').then(({ z }) => z.object({}))

interface ActsProps {
  readonly id: number
  readonly state: 'draft' | 'filed' | 'paid'
  /** What is to be paid; below zero it comes back. */
  readonly due: string
  readonly currency: string
  readonly today: Day
}
const FROM: { from: PayFrom } = { from: 'bank' }

/** What can be done with a return: file it or drop it, then pay it. */
export const TaxReturnActs = ({ id, state, due, currency, today }: ActsProps) => {
  const [open, setOpen] = useState<'file' | 'drop' | 'pay' | 'unpay' | null>(null)
  const close = () => setOpen(null)
  const back = due.startsWith('-')
  const amount = due.replace('-', '')
  if (state === 'filed' && Number(due) === 0) return null
  if (state === 'paid')
    return (
      <>
        <button className="btn" onClick={() => setOpen('unpay')}>
          Take payment back
        </button>
        <Panel open={open === 'unpay'} onClose={close} title="Take the payment back">
          <CommandForm
            method="POST"
            path={`/tax-returns/${id}/unpay`}
            schema={toUnpay}
            start={{ on: String(today), reason: '' }}
            asBody={(d) => d}
            say={() => 'Taken back. The return is to be paid again.'}
            preview={{ currency }}
            onDone={close}
            submit="Take payment back"
          >
            <div className="grid gap-3">
              <FormReason most={300} />
              <FormOn today={today} />
            </div>
          </CommandForm>
        </Panel>
      </>
    )
  return (
    <>
      {state === 'draft' && (
        <button className="btn" onClick={() => setOpen('drop')}>
          Discard
        </button>
      )}
      <button
        className="btn btn-do"
        data-primary={open ? undefined : true}
        onClick={() => setOpen(state === 'draft' ? 'file' : 'pay')}
      >
        {state === 'draft' ? 'Mark as filed' : back ? 'Record refund' : 'Pay'}
      </button>
      <Panel open={open === 'file'} onClose={close} title="Mark as filed">
        <CommandForm
          method="POST"
          path={`/tax-returns/${id}/file`}
          schema={nothing}
          start={{}}
          asBody={() => ({})}
          say={() => 'Filed. Its figures stay as they are.'}
          onDone={close}
          submit="Mark as filed"
        >
          <p>
            Its figures are fixed from now on. What is dated in these days and entered later falls into the next return.
          </p>
        </CommandForm>
      </Panel>
      <Panel open={open === 'drop'} onClose={close} title="Discard the draft">
        <CommandForm
          method="DELETE"
          path={`/tax-returns/${id}`}
          schema={nothing}
          start={{}}
          asBody={() => ({})}
          say={() => 'Draft discarded.'}
          go={() => '/books?view=tax'}
          submit="Discard"
        >
          <p>Nothing is lost: a new return of the same days has the same figures.</p>
        </CommandForm>
      </Panel>
      <Panel open={open === 'pay'} onClose={close} title={back ? 'The tax office pays back' : 'Pay the tax office'}>
        <CommandForm
          method="POST"
          path={`/tax-returns/${id}/pay`}
          schema={toPay}
          start={{ ...FROM, amount, on: String(today) }}
          asBody={(d) => d}
          say={(r) => `${formatDigits(r.paid ?? '')} ${back ? 'came back' : 'paid'}.`}
          preview={{ currency }}
          onDone={close}
          submit={back ? 'Record refund' : 'Pay'}
        >
          <div className="grid grid-cols-2 gap-3">
            <FormMoney name="amount" label="Amount" currency={currency} />
            <FormPick name="from" label={back ? 'Into' : 'From'} options={PAY_FROM_NAMES} />
            <FormOn today={today} />
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}
