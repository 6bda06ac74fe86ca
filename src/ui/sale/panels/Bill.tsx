'use client'
import { formatDigits } from '@/core/locale'
import { day, formatDay } from '@/core/day'
import { useWatch } from 'react-hook-form'
import { CommandForm, Submit } from '../../form/CommandForm'
import { FormChoice, FormMoney, FormOn, FormQuantity, FormText } from '../../form/inputs'
import { Sum } from '../../Sum'
import { Quantities, quantitiesOf, type LineQuantity, type PanelProps } from './parts'
import { isEmptyRow } from '../../form/isEmptyRow'

interface Draft {
  how: 'handed-over' | 'remaining' | 'percent' | 'lines'
  what: { percent: string; lines: LineQuantity[] }
  on: string
  charges: { description: string; unitPrice: string }[]
  issue: boolean
}

const schema = () => import('@/contract/inputs/billing/billSale').then((m) => m.billSaleInput.omit({ saleId: true }))

const bodyOf = ({ how, what, charges, ...d }: Draft) => ({
  ...d,
  what: how === 'percent' ? { percent: what.percent } : how === 'lines' ? { lines: what.lines } : how,
  ...(charges.length > 0 ? { charges: charges.map((c) => ({ ...c, quantity: '1' })) } : {}),
})

interface Billed {
  readonly number: string | null
  readonly totals: { readonly gross: string }
  readonly heldApplied: string
  readonly open: string
}

const sayBilled = ({ number, totals, heldApplied, open }: Billed, customer: string): string => {
  const held = Number(heldApplied) > 0 ? `, ${formatDigits(heldApplied)} of it already held` : ''
  return number
    ? `Invoice ${number} issued: ${formatDigits(totals.gross)}${held}. ${customer} owes ${formatDigits(open)} on it.`
    : 'Draft saved. It is posted when you issue it.'
}

interface Would extends Billed {
  readonly dues: readonly { readonly due: string; readonly open: string }[]
}

/** What the invoice comes to, what is held of it already, what is left and when it is due. */
const sayInFigures = ({ totals, heldApplied, open, dues }: Would) => (
  <Sum
    rows={[
      { what: 'Total with tax', amount: formatDigits(totals.gross) },
      ...(Number(heldApplied) > 0 ? [{ what: 'Already held', amount: `−${formatDigits(heldApplied)}` }] : []),
    ]}
    total={{
      what: dues[0]
        ? `Balance, ${dues.length > 1 ? 'the first part ' : ''}due ${formatDay(day(dues[0].due))}`
        : 'Balance due',
      amount: formatDigits(open),
    }}
  />
)

/** What to bill, and with which charge that came up. */
export const Bill = ({ sale, today, onClose }: PanelProps) => {
  const left = sale.lines.filter((l) => Number(l.toBill) > 0)
  const ready = left.some((l) => Number(l.readyToBill) > 0)
  const start: Draft = {
    how: ready ? 'handed-over' : 'remaining',
    what: { percent: '50', lines: quantitiesOf(left, (l) => l.toBill) },
    on: String(today),
    charges: [{ description: '', unitPrice: '' }],
    issue: true,
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/invoices`}
      schema={schema}
      start={start}
      asBody={bodyOf}
      skip={{
        'what.lines': isEmptyRow,
        charges: isEmptyRow,
      }}
      say={(i) => sayBilled(i, sale.customer)}
      preview={{ currency: sale.currency, say: sayInFigures }}
      go={(i) => (i.number ? null : `/invoices/${i.id}`)}
      onDone={onClose}
      submit={
        <>
          <p className="sub mt-3">
            Issuing gives the invoice its number and posts it. It can no longer be changed, only credited.
          </p>
          <Submit set={['issue', true]}>Issue invoice</Submit>
          <Submit quiet set={['issue', false]} className="btn mt-2 w-full">
            Save as draft
          </Submit>
        </>
      }
    >
      <FormChoice
        name="how"
        label="What to invoice"
        options={[
          {
            value: 'handed-over',
            label: ready ? 'What was handed over' : 'What was handed over (nothing yet)',
            disabled: !ready,
          },
          { value: 'remaining', label: 'Everything left' },
          { value: 'percent', label: 'A percentage' },
          { value: 'lines', label: 'Selected quantities' },
        ]}
      />
      <HowMuch left={left} />
      <div className="mt-2 grid grid-cols-[1fr_130px] gap-3">
        <FormText name="charges.0.description" label="Extra charge" most={200} />
        <FormMoney name="charges.0.unitPrice" label="Amount" currency={sale.currency} />
      </div>
      <div className="mt-2">
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}

const HowMuch = ({ left }: { readonly left: PanelProps['sale']['lines'] }) => {
  const how = useWatch<Draft, 'how'>({ name: 'how' })
  if (how === 'percent') return <FormQuantity name="what.percent" label="Percent of the order" />
  return how === 'lines' ? (
    <Quantities
      name="what.lines"
      lines={left}
      most={(l) => l.toBill}
      side={(l) => (Number(l.readyToBill) > 0 ? `${formatDigits(l.readyToBill)} handed over` : '')}
    />
  ) : null
}
