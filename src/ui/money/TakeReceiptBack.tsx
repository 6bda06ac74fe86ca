'use client'
import type { Day } from '@/core/day'
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
    say={() => `Receipt ${number} is voided; what it paid is open again.`}
    onDone={onDone}
    submit="Void it"
  >
    <p className="mb-3">
      Its entry is reversed on the day you give; what it paid opens again. The receipt itself stays, crossed out.
    </p>
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
    say={() => `Receipt ${number} came back; what it had paid is owed again.`}
    onDone={onDone}
    submit="It came back"
  >
    <p className="mb-3">
      The money leaves the account it lies in now, and what it had paid is owed again, also where it was held first and
      put on a bill later.
    </p>
    <div className="grid gap-3">
      <FormReason label="What the bank says" />
      <FormMoney name="bankFee" label="What the bank took for it" currency={currency} />
      <FormMoney name="fee" label="What we charge for it" currency={currency} />
      <FormOn today={today} />
    </div>
  </CommandForm>
)
