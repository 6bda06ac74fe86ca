'use client'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormOn } from '../form/inputs'
import { InvoiceQuantities } from './InvoiceQuantities'
import type { ShownInvoice } from './shownInvoice'
import { isEmptyRow } from '../form/isEmptyRow'

interface Props {
  readonly invoice: ShownInvoice
  readonly today: Day
  readonly onDone: () => void
}

const schema = () =>
  import('@/contract/inputs/billing/draftWork').then((m) => m.changeDraftInput.omit({ invoiceId: true }))

/** Other quantities and another day for an invoice that is not issued yet. */
export const ChangeDraft = ({ invoice, today, onDone }: Props) => (
  <CommandForm
    method="PATCH"
    path={`/invoices/${invoice.id}`}
    schema={schema}
    start={{
      on: String(invoice.on),
      lines: invoice.lines.map(({ lineId, quantity }) => ({ lineId, quantity })),
    }}
    asBody={(d) => d}
    skip={{ lines: isEmptyRow }}
    say={() => 'Draft saved.'}
    onDone={onDone}
    submit="Save draft"
  >
    <InvoiceQuantities lines={invoice.lines} what="Invoice" />
    <FormOn today={today} />
  </CommandForm>
)
