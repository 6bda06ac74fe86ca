'use client'
import { METHODS, type Method } from '@/core/ledger'
import { To } from '@/ui/To'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { DayField, MoneyField, QuantityField, Text } from '../fields'
import { Panel } from '../Panel'
import { WriteLetter } from '../post/WriteLetter'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly today: Day
  readonly invoice: {
    readonly id: number
    readonly saleId: number
    readonly customerId: number
    readonly draft: boolean
    readonly on: Day
    readonly kind: 'invoice' | 'counter' | 'credit-note'
    readonly currency: string
    readonly left: string
    readonly open: string
    readonly lines: readonly {
      readonly lineId: number
      readonly description: string
      readonly quantity: string
    }[]
  }
}

/** What can be done with an invoice: issue or throw away a draft; take money for or credit an issued one. */
export const InvoiceActions = ({ invoice, today }: Props) => {
  const [open, setOpen] = useState<'credit' | 'change' | null>(null)
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
        {open === 'change' && <DraftPanel invoice={invoice} today={today} onClose={() => setOpen(null)} />}
        <button
          className="btn"
          disabled={busy}
          onClick={() =>
            void send(
              'DELETE',
              `/invoices/${invoice.id}`,
              {},
              { say: () => 'The draft is gone.', go: () => `/sales/${invoice.saleId}` },
            )
          }
        >
          Throw away
        </button>
        <button
          className="btn btn-do"
          disabled={busy}
          data-primary
          onClick={() =>
            void send(
              'POST',
              `/invoices/${invoice.id}/issue`,
              {},
              { say: (i) => `Invoice ${i.number} issued. ${i.open} is owed on it.` },
            )
          }
        >
          Issue
        </button>
      </>
    )
  }
  return (
    <>
      {pdf}
      {invoice.kind !== 'credit-note' && (
        <a className="btn" href={`/api/v1/export/invoices/${invoice.id}.xml`}>
          UBL
        </a>
      )}
      <WriteLetter paper={invoice.kind === 'credit-note' ? 'credit-note' : 'invoice'} paperId={invoice.id} />
      {invoice.kind !== 'credit-note' && Number(invoice.left) > 0 && (
        <button className="btn" onClick={() => setOpen('credit')}>
          Credit
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
      {open === 'credit' && <CreditPanel invoice={invoice} today={today} onClose={() => setOpen(null)} />}
    </>
  )
}

const DraftPanel = ({ invoice, today, onClose }: Props & { readonly onClose: () => void }) => {
  const { send, busy, refused } = useSend()
  const [values, setValues] = useState<Readonly<Record<number, string>>>(
    Object.fromEntries(invoice.lines.map((l) => [l.lineId, l.quantity])),
  )
  const [on, setOn] = useState<string>(invoice.on)
  const go = async () => {
    const lines = Object.entries(values)
      .filter(([, q]) => q !== '' && q !== '0')
      .map(([lineId, quantity]) => ({ lineId: Number(lineId), quantity }))
    const done = await send('PATCH', `/invoices/${invoice.id}`, { on, lines }, { say: () => 'The draft is changed.' })
    if (done) onClose()
  }
  return (
    <Panel open onClose={onClose} title="Change the draft">
      <table className="ledger my-2">
        <tbody>
          {invoice.lines.map((l) => (
            <tr key={l.lineId}>
              <td>{l.description}</td>
              <td className="w-[100px]">
                <QuantityField
                  label={`Bill: ${l.description}`}
                  hideLabel
                  value={values[l.lineId] ?? ''}
                  onValue={(v) => setValues({ ...values, [l.lineId]: v })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <DayField label="Dated" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      <Refusal refused={refused} />
      <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={() => void go()}>
        Keep the change
      </button>
    </Panel>
  )
}

const CreditPanel = ({ invoice, today, onClose }: Props & { readonly onClose: () => void }) => {
  const { send, busy, refused } = useSend()
  const [how, setHow] = useState<'whole' | 'lines' | 'amount'>('whole')
  const [values, setValues] = useState<Readonly<Record<number, string>>>({})
  const [amount, setAmount] = useState('')
  const [reason, setReason] = useState('')
  const [returnGoods, setReturnGoods] = useState(false)
  const [billAgain, setBillAgain] = useState(false)
  const [refund, setRefund] = useState<Method | ''>('')
  const [on, setOn] = useState<string>(today)
  const go = async () => {
    const lines = Object.entries(values)
      .filter(([, q]) => q !== '' && q !== '0')
      .map(([lineId, quantity]) => ({ lineId: Number(lineId), quantity }))
    const wish = how === 'lines' ? { lines } : how === 'amount' ? { amount } : {}
    const done = await send(
      'POST',
      `/invoices/${invoice.id}/credit-notes`,
      {
        on,
        reason,
        returnGoods: how !== 'amount' && returnGoods,
        draftAgain: how !== 'amount' && billAgain,
        ...(refund ? { refund } : {}),
        ...wish,
      },
      {
        say: (c) => `Credit note ${c.number} over ${c.totals.gross}.${c.draftId ? ' The new draft is ready.' : ''}`,
        go: (c) => `/invoices/${c.draftId ?? c.id}`,
      },
    )
    if (done) onClose()
  }
  return (
    <Panel open onClose={onClose} title="Credit this invoice">
      <p className="mb-3">The invoice stays as it is. A credit note lowers what is open on it first.</p>
      <fieldset>
        <legend className="label">How much</legend>
        {(['whole', 'lines', 'amount'] as const).map((h) => (
          <label key={h} className="flex gap-2 py-1">
            <input type="radio" name="how" checked={how === h} onChange={() => setHow(h)} />{' '}
            {h === 'whole'
              ? `all that is left, ${invoice.left}`
              : h === 'lines'
                ? 'some of the lines'
                : 'an amount with tax'}
          </label>
        ))}
      </fieldset>
      {how === 'lines' && (
        <table className="ledger my-2">
          <tbody>
            {invoice.lines.map((l) => (
              <tr key={l.lineId}>
                <td>{l.description}</td>
                <td className="fig">{l.quantity}</td>
                <td className="w-[100px]">
                  <QuantityField
                    label={`Credit: ${l.description}`}
                    hideLabel
                    value={values[l.lineId] ?? ''}
                    onValue={(v) => setValues({ ...values, [l.lineId]: v })}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {how === 'amount' && (
        <MoneyField
          label="Amount with tax"
          currency={invoice.currency}
          value={amount}
          onValue={setAmount}
          problem={messageFor(refused, 'amount')}
        />
      )}
      {how !== 'amount' && (
        <div className="my-2 grid gap-1">
          <label className="flex gap-2">
            <input type="checkbox" checked={returnGoods} onChange={(e) => setReturnGoods(e.target.checked)} /> the goods
            come back to the shelf
          </label>
          <label className="flex gap-2">
            <input type="checkbox" checked={billAgain} onChange={(e) => setBillAgain(e.target.checked)} /> it is billed
            again: make the draft at once
          </label>
        </div>
      )}
      <label className="mb-3 block">
        <span className="label">What was paid for it already</span>
        <select
          className="field"
          value={refund}
          onChange={(e) => setRefund(METHODS.find((m) => m === e.target.value) ?? '')}
        >
          <option value="">is held on their account</option>
          <option value="cash">goes back in cash</option>
          <option value="card">goes back to the card</option>
          <option value="transfer">goes back by transfer</option>
        </select>
      </label>
      <div className="grid grid-cols-[1fr_150px] gap-3">
        <Text
          label="Why"
          value={reason}
          maxLength={500}
          onChange={(e) => setReason(e.target.value)}
          problem={messageFor(refused, 'reason')}
        />
        <DayField label="Dated" today={today} value={on} onValue={setOn} />
      </div>
      <Refusal refused={refused} />
      <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={() => void go()}>
        Write the credit note
      </button>
    </Panel>
  )
}
