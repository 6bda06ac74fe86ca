'use client'
import { WhichWayBack } from '../WhichWayBack'
import { formatDigits } from '@/core/locale'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import type { Method } from '@/core/ledger'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormChoice, FormMoney, FormOn, FormPick, FormReason } from '../form/inputs'
import { Sum } from '../Sum'
import { InvoiceQuantities } from './InvoiceQuantities'
import { type LineQuantity } from './panels/parts'
import type { ShownInvoice } from './shownInvoice'
import { isEmptyRow } from '../form/isEmptyRow'

interface Props {
  readonly invoice: ShownInvoice
  readonly today: Day
  readonly onDone: () => void
}

interface Draft {
  how: 'whole' | 'lines' | 'amount'
  lines: LineQuantity[]
  amount: string
  reason: string
  returnGoods: boolean
  scrap: boolean
  draftAgain: boolean
  refund: Method | ''
  on: string
}

const schema = () =>
  import('@/contract/inputs/billing/creditInvoice').then((m) => m.creditInvoiceInput.omit({ invoiceId: true }))

const bodyOf = ({ how, lines, amount, returnGoods, scrap, draftAgain, refund, ...d }: Draft) => ({
  ...d,
  returnGoods: how !== 'amount' && returnGoods,
  ...(how !== 'amount' && returnGoods && scrap ? { scrap } : {}),
  draftAgain: how !== 'amount' && draftAgain,
  ...(refund ? { refund } : {}),
  ...(how === 'lines' ? { lines } : how === 'amount' ? { amount } : {}),
})

const REFUND = {
  '': 'Keep on account',
  cash: 'Refund in cash',
  card: 'Refund to the card',
  transfer: 'Refund by transfer',
} as const

/** Credits an invoice: all that is left, some of its lines, or an amount. */
export const CreditInvoice = ({ invoice, today, onDone }: Props) => {
  const start: Draft = {
    how: 'whole',
    lines: invoice.lines.map(({ lineId }) => ({ lineId, quantity: '' })),
    amount: '',
    reason: '',
    returnGoods: false,
    scrap: false,
    draftAgain: false,
    refund: '',
    on: String(today),
  }
  return (
    <CommandForm
      method="POST"
      path={`/invoices/${invoice.id}/credit-notes`}
      schema={schema}
      start={start}
      asBody={bodyOf}
      skip={{ lines: isEmptyRow }}
      say={(c) =>
        `Credit note ${c.number} for ${formatDigits(c.totals.gross)} created.${c.draftId ? ' The draft invoice is ready.' : ''}`
      }
      go={(c) => `/invoices/${c.draftId ?? c.id}`}
      onDone={onDone}
      preview={{
        currency: invoice.currency,
        say: (c) => <Sum rows={[]} total={{ what: 'Credited, with tax', amount: formatDigits(c.totals.gross) }} />,
      }}
      submit="Create credit note"
    >
      <p className="mb-3">The invoice itself never changes. The credit note first reduces what is unpaid on it.</p>
      <WhichWayBack />
      <FormChoice
        name="how"
        label="How much"
        options={[
          { value: 'whole', label: `The full balance, ${formatDigits(invoice.left)}` },
          { value: 'lines', label: 'Selected lines' },
          { value: 'amount', label: 'An amount incl. tax' },
        ]}
      />
      <HowMuch invoice={invoice} />
      <FormPick name="refund" label="If it was already paid" options={REFUND} />
      <div className="mt-3 grid grid-cols-[1fr_150px] gap-3">
        <FormReason />
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}

/** Of what comes back: whether it can be sold again. */
const Scrap = () =>
  useWatch<Draft, 'returnGoods'>({ name: 'returnGoods' }) && (
    <FormCheck name="scrap" label="Not fit to be sold again: write it off" />
  )

const HowMuch = ({ invoice }: Pick<Props, 'invoice'>) => {
  const how = useWatch<Draft, 'how'>({ name: 'how' })
  if (how === 'amount')
    return (
      <div className="my-2">
        <FormMoney name="amount" label="Amount with tax" currency={invoice.currency} />
      </div>
    )
  return (
    <>
      {how === 'lines' && <InvoiceQuantities lines={invoice.lines} what="Credit" showWhole />}
      <div className="my-2 grid gap-1">
        <FormCheck name="returnGoods" label="Return goods to stock" />
        <Scrap />
        <FormCheck name="draftAgain" label="Create a corrected draft invoice" />
      </div>
    </>
  )
}
