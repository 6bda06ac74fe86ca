'use client'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import type { Day } from '@/core/day'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { moneyInHref } from '../money/moneyInHref'
import { Panel } from '../Panel'
import { LetterPanel } from '../post/LetterPanel'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import type { ShownInvoice } from './shownInvoice'

const ChangeDraft = lazily(() => import('./ChangeDraft').then((m) => m.ChangeDraft))
const CreditInvoice = lazily(() => import('./CreditInvoice').then((m) => m.CreditInvoice))

interface Props {
  readonly today: Day
  readonly invoice: ShownInvoice
}

type InvoiceAct = 'pdf' | 'ubl' | 'email' | 'credit' | 'take' | 'change' | 'delete' | 'issue'
const GROUPS = ['Documents', 'Money', 'This invoice'] as const

const actsOf = (i: ShownInvoice): readonly Act<InvoiceAct>[] => {
  const [documents, money, self] = GROUPS
  const file = `/api/v1/export/invoices/${i.id}`
  const pdf: Act<InvoiceAct> = { id: 'pdf', label: 'PDF', key: 'p', group: documents, href: `${file}.pdf`, file: true }
  if (i.draft)
    return [
      pdf,
      {
        id: 'issue',
        label: 'Issue invoice',
        key: 'i',
        group: self,
        hint: 'Gives the invoice its number and posts it. After that it can only be credited.',
      },
      { id: 'change', label: 'Change', key: 'e', group: self },
      { id: 'delete', label: 'Delete draft', key: 'x', group: self },
    ]
  const credit = i.kind === 'credit-note'
  return [
    pdf,
    ...(credit
      ? []
      : [
          { id: 'ubl' as const, label: 'E-invoice (UBL)', key: 'u', group: documents, href: `${file}.xml`, file: true },
        ]),
    { id: 'email', label: 'Email', key: 'm', group: documents },
    ...(Number(i.open) > 0
      ? [
          {
            id: 'take' as const,
            label: 'Take payment',
            key: 't',
            group: money,
            href: moneyInHref(i.customerId, i.saleId),
          },
        ]
      : []),
    ...(!credit && Number(i.left) > 0 ? [{ id: 'credit' as const, label: 'Credit note', key: 'c', group: money }] : []),
  ]
}

/** What can be done with an invoice: issue or delete a draft; take money for, mail or credit an issued one. */
export const InvoiceActions = ({ invoice, today }: Props) => {
  const [open, setOpen] = useState<'credit' | 'change' | 'email' | null>(null)
  const close = () => setOpen(null)
  const { send, busy, refused } = useSend()
  const about = { paper: invoice.kind === 'credit-note' ? 'credit-note' : 'invoice', paperId: invoice.id } as const
  const path = `/invoices/${invoice.id}` as const
  const doIt = (act: InvoiceAct) => {
    if (act === 'credit' || act === 'change' || act === 'email') setOpen(act)
    if (act === 'issue')
      void send(
        'POST',
        `${path}/issue`,
        {},
        { say: (i) => `Invoice ${i.number} issued. Balance due ${formatDigits(i.open)}.` },
      )
    if (act === 'delete')
      void send('DELETE', path, {}, { say: () => 'Draft deleted.', go: () => `/sales/${invoice.saleId}` })
  }
  return (
    <>
      <Refusal refused={refused} />
      <Acts
        acts={actsOf(invoice)}
        first={invoice.draft ? 'issue' : Number(invoice.open) > 0 ? 'take' : null}
        near={invoice.draft ? ['change', 'pdf'] : ['email', 'pdf']}
        groups={GROUPS}
        onAct={doIt}
        busy={busy}
        away={open !== null}
      />
      <Panel open={open === 'change'} onClose={close} title="Change the draft">
        <ChangeDraft invoice={invoice} today={today} onDone={close} />
      </Panel>
      <Panel open={open === 'credit'} onClose={close} title="Credit this invoice">
        <CreditInvoice invoice={invoice} today={today} onDone={close} />
      </Panel>
      <LetterPanel {...about} open={open === 'email'} onClose={close} />
    </>
  )
}
