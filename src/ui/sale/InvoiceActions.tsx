'use client'
import { formatDigits } from '@/core/money'
import { To } from '@/ui/To'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { WriteLetter } from '../post/WriteLetter'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import type { ShownInvoice } from './shownInvoice'

const ChangeDraft = lazily(() => import('./ChangeDraft').then((m) => m.ChangeDraft))
const CreditInvoice = lazily(() => import('./CreditInvoice').then((m) => m.CreditInvoice))

interface Props {
  readonly today: Day
  readonly invoice: ShownInvoice
}

/** What can be done with an invoice: issue or throw away a draft; take money for or credit an issued one. */
export const InvoiceActions = ({ invoice, today }: Props) => {
  const [open, setOpen] = useState<'credit' | 'change' | null>(null)
  const close = () => setOpen(null)
  const { send, busy, refused } = useSend()
  const pdf = (
    <a className="btn" href={`/api/v1/export/invoices/${invoice.id}.pdf`} target="_blank">
      PDF
    </a>
  )
  if (invoice.draft) {
    return (
      <>
        <Refusal refused={refused} />
        {pdf}
        <button className="btn" onClick={() => setOpen('change')}>
          Change
        </button>
        <Panel open={open === 'change'} onClose={close} title="Change the draft">
          <ChangeDraft invoice={invoice} today={today} onDone={close} />
        </Panel>
        <button
          className="btn"
          disabled={busy}
          onClick={() =>
            void send(
              'DELETE',
              `/invoices/${invoice.id}`,
              {},
              { say: () => 'Draft deleted.', go: () => `/sales/${invoice.saleId}` },
            )
          }
        >
          Delete draft
        </button>
        <button
          className="btn btn-do"
          disabled={busy}
          data-primary
          title="Gives the invoice its number and posts it. After that it can only be credited."
          onClick={() =>
            void send(
              'POST',
              `/invoices/${invoice.id}/issue`,
              {},
              { say: (i) => `Invoice ${i.number} issued. Balance due ${formatDigits(i.open)}.` },
            )
          }
        >
          Issue invoice
        </button>
      </>
    )
  }
  return (
    <>
      {pdf}
      {invoice.kind !== 'credit-note' && (
        <a className="btn" href={`/api/v1/export/invoices/${invoice.id}.xml`}>
          E-invoice (UBL)
        </a>
      )}
      <WriteLetter paper={invoice.kind === 'credit-note' ? 'credit-note' : 'invoice'} paperId={invoice.id} />
      {invoice.kind !== 'credit-note' && Number(invoice.left) > 0 && (
        <button className="btn" onClick={() => setOpen('credit')}>
          Credit note
        </button>
      )}
      {Number(invoice.open) > 0 && (
        <To
          className="btn btn-do"
          data-primary
          href={`/money-in?customer=${invoice.customerId}&sale=${invoice.saleId}`}
        >
          Take money
        </To>
      )}
      <Panel open={open === 'credit'} onClose={close} title="Credit this invoice">
        <CreditInvoice invoice={invoice} today={today} onDone={close} />
      </Panel>
    </>
  )
}
