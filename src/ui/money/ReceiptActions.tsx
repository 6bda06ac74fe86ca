'use client'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormOn, FormReason } from '../form/inputs'
import { Panel } from '../Panel'
import { WriteLetter } from '../post/WriteLetter'

interface Props {
  readonly id: number
  readonly number: string
  readonly today: Day
  readonly mayVoid: boolean
  readonly mayBounce: boolean
  readonly method: string
  readonly currency: string
  readonly bounceFee: string
  readonly print: boolean
}

/** A receipt as PDF or narrow slip; or taken back. */
export const ReceiptActions = ({
  id,
  number,
  today,
  mayVoid,
  mayBounce,
  method,
  currency,
  bounceFee,
  print,
}: Props) => {
  const [open, setOpen] = useState<'void' | 'bounce' | null>(null)
  useEffect(() => {
    if (print) window.open(`/api/v1/export/receipts/${id}/slip.pdf`, '_blank')
  }, [print, id])
  const close = () => setOpen(null)
  return (
    <>
      <a className="btn" href={`/api/v1/export/receipts/${id}.pdf`} target="_blank">
        PDF
      </a>
      <a className="btn" href={`/api/v1/export/receipts/${id}/slip.pdf`} target="_blank">
        Narrow slip
      </a>
      <WriteLetter paper="receipt" paperId={id} />
      {mayVoid && (
        <button className="btn" onClick={() => setOpen('void')}>
          Void
        </button>
      )}
      {mayBounce && (
        <button className="btn" onClick={() => setOpen('bounce')}>
          It came back
        </button>
      )}
      <Panel open={open === 'void'} onClose={close} title={`Void receipt ${number}`}>
        <Void id={id} number={number} today={today} onDone={close} />
      </Panel>
      <Panel
        open={open === 'bounce'}
        onClose={close}
        title={method === 'cheque' ? 'The cheque bounced' : 'The payment was reversed'}
      >
        <Bounce {...{ id, number, today, currency, bounceFee }} onDone={close} />
      </Panel>
    </>
  )
}

const schemas = () => import('@/contract/inputs/money/voidReceipt')
const voidSchema = () => schemas().then((m) => m.voidReceiptInput.omit({ receiptId: true }))
const bounceSchema = () => schemas().then((m) => m.bounceReceiptInput.omit({ receiptId: true }))

interface TakenBack extends Pick<Props, 'id' | 'number' | 'today'> {
  readonly onDone: () => void
}

const Void = ({ id, number, today, onDone }: TakenBack) => (
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
const Bounce = ({
  id,
  number,
  today,
  currency,
  bounceFee,
  onDone,
}: TakenBack & Pick<Props, 'currency' | 'bounceFee'>) => (
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
