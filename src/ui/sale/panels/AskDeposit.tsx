'use client'
import { useFormContext, useWatch } from 'react-hook-form'
import { formatDigits } from '@/core/locale'
import { decimal, formatMoney, parseMoney } from '@/core/money'
import { partOf } from '@/core/plan'
import { CommandForm } from '../../form/CommandForm'
import { FormMoney, FormQuantity } from '../../form/inputs'
import { showMoney } from '../../fields'
import { Refusal } from '../../Refusal'
import { useSend } from '../../send'
import type { PanelProps } from './parts'

const textOf = (v: unknown): string => (typeof v === 'string' ? v : '')

/** What was arranged to be asked first; nothing where no deposit was. */
const arrangedFirst = (arrangement: PanelProps['sale']['arrangement']): Readonly<Record<string, unknown>> => {
  if (arrangement.kind !== 'deposit') return {}
  return Array.isArray(arrangement.stages) ? arrangement.stages[0] : arrangement
}

/** What a percentage of the whole comes to; nothing while it is no number. */
const sayPart = (gross: string, percent: string, currency: string): string => {
  const total = parseMoney(gross, currency)
  return total.ok && /^\d+(\.\d+)?$/.test(percent)
    ? formatMoney(partOf(total.value, { percent: decimal(percent) }))
    : ''
}

const schema = () =>
  import('@/contract/inputs/sales/requestDeposit').then((m) => m.requestDepositInput.omit({ saleId: true }))

interface Draft {
  percent: string
  amount: string
}

/** Asks for money ahead: as it was arranged, where it was. */
export const AskDeposit = ({ sale, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const arranged = arrangedFirst(sale.arrangement)
  const start: Draft = {
    percent: textOf(arranged.percent) || (arranged.amount ? '' : '50'),
    amount: textOf(arranged.amount),
  }
  const stages = sale.promise.stages.length > 1 ? sale.promise.stages : []
  const say = (d: { readonly number: string; readonly amount: string }) =>
    `Deposit request ${d.number} for ${formatDigits(d.amount)} to ${sale.customer}.`
  const askStage = (stage: number) =>
    send('POST', `/sales/${sale.id}/deposit-requests`, { stage }, { say, done: onClose })
  return (
    <>
      <p className="mb-3">
        This asks for money in advance; it is not an invoice. When it arrives it is held for {sale.customer} (a
        liability) until you invoice.
      </p>
      {stages.length > 0 && (
        <ul className="mb-4 grid gap-1.5">
          {stages.map((s, i) => (
            <li key={i} className="flex items-center justify-between gap-3">
              <span>
                Stage {i + 1}: <span className="fig">{formatDigits(s.amount)}</span>
                {s.when && <span className="sub"> {s.when}</span>}
              </span>
              <button className="btn" disabled={busy} onClick={() => void askStage(i + 1)}>
                Request stage {i + 1}
              </button>
            </li>
          ))}
        </ul>
      )}
      <Refusal refused={refused} />
      <CommandForm
        method="POST"
        path={`/sales/${sale.id}/deposit-requests`}
        schema={schema}
        start={start}
        asBody={({ percent, amount }) => (amount === '' ? { percent } : { amount })}
        say={say}
        onDone={onClose}
        submit="Send request"
      >
        <HowMuch sale={sale} />
      </CommandForm>
    </>
  )
}

const HowMuch = ({ sale }: Pick<PanelProps, 'sale'>) => {
  const { setValue } = useFormContext<Draft>()
  const [percent, amount] = useWatch<Draft, ['percent', 'amount']>({ name: ['percent', 'amount'] })
  const asked = amount !== '' ? showMoney(amount, sale.currency) : sayPart(sale.gross, percent, sale.currency)
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <FormQuantity name="percent" label="Percent of total incl. tax" onTyped={() => setValue('amount', '')} />
        <FormMoney name="amount" label="Or an amount" currency={sale.currency} />
      </div>
      <p className="mt-2">{asked && `${asked} of ${formatDigits(sale.gross)}, tax included.`}</p>
    </>
  )
}
