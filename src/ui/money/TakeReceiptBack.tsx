'use client'
import type { Day } from '@/core/day'
import { WhichWayBack } from '../WhichWayBack'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormOn, FormReason } from '../form/inputs'

const schemas = () => import('@/contract/inputs/money/voidReceipt')
const voidSchema = () => schemas().then((m) => m.voidReceiptInput.omit({ receiptId: true }))
const bounceSchema = () => schemas().then((m) => m.bounceReceiptInput.omit({ receiptId: true }))

interface TakenBack {
  readonly id: number
  readonly number: string
  readonly today: Day
  readonly onDone: () => void
}

/** A receipt that should not be: voided. */
export const Void = ({ id, number, today, onDone }: TakenBack) => (
  <CommandForm
    method="POST"
    path={`/receipts/${id}/void`}
    schema={voidSchema}
    start={{ on: String(today), reason: '' }}
    asBody={(d) => d}
    say={() => `Receipt ${number} voided. The invoices it paid are unpaid again.`}
    onDone={onDone}
    submit="Void it"
  >
    <p className="mb-3">
      The payment is reversed on this date and the invoices it paid become unpaid again. The receipt stays on file,
      marked void.
    </p>
    <WhichWayBack />
    <div className="grid gap-3">
      <FormReason />
      <FormOn today={today} />
    </div>
  </CommandForm>
)

/** The cheque bounced, or the card payment was reversed. */
export const Bounce = ({
  id,
  number,
  today,
  currency,
  bounceFee,
  onDone,
}: TakenBack & { readonly currency: string; readonly bounceFee: string }) => (
  <CommandForm
    method="POST"
    path={`/receipts/${id}/bounce`}
    schema={bounceSchema}
    start={{ on: String(today), reason: '', fee: bounceFee, bankFee: '' }}
    asBody={(d) => ({ ...d, fee: d.fee || '0', bankFee: d.bankFee || '0' })}
    say={() => `Receipt ${number} bounced. The invoices it paid are unpaid again.`}
    onDone={onDone}
    submit="Record as bounced"
  >
    <p className="mb-3">
      The money is taken out of the account it is in, and everything it paid becomes unpaid again, including invoices
      paid with it later from held money.
    </p>
    <div className="grid gap-3">
      <FormReason label="Reason given by the bank" />
      <FormMoney name="bankFee" label="Bank’s fee to you" currency={currency} />
      <FormMoney name="fee" label="Fee to the customer" currency={currency} />
      <FormOn today={today} />
    </div>
  </CommandForm>
)
