'use client'
import { useController, useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { formatMoney, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import { CommandForm, Submit } from '../form/CommandForm'
import { FormMoney, FormOn } from '../form/inputs'
import { readTyped } from '../money/filling'
import { To } from '../To'
import { useDrawn } from '../useDrawn'

interface Waiting {
  readonly id: number
  readonly number: string
  readonly on: string
  readonly customer: string
  readonly reference: string
  readonly amount: string
}
interface Props {
  readonly today: Day
  readonly currency: string
  readonly inDrawer: string
  readonly cheques: readonly Waiting[]
  readonly cards: readonly Waiting[]
  /** So many of each are listed at most, the oldest. */
  readonly most: number
}

/** A banking slip of cash and cheques, and card takings that arrived. */
export const ToBankForms = (props: Props) => (
  <div className="grid gap-x-6 gap-y-8 lg:grid-cols-2">
    <Slip {...props} />
    <Settle {...props} />
  </div>
)

const sumOf = (rows: readonly Waiting[], chosen: ReadonlySet<number>, currency: string): Money =>
  sumMoney(
    rows.filter((r) => chosen.has(r.id)).map((r) => readTyped(r.amount, currency)),
    currency,
  )

/** Of what is chosen, what still waits: what went already is no longer among the rows. */
const idsOf = (rows: readonly Waiting[], chosen: ReadonlySet<number>): number[] =>
  rows.filter((r) => chosen.has(r.id)).map((r) => r.id)

interface ChooseProps {
  readonly name: string
  readonly rows: readonly Waiting[]
  readonly none: string
  readonly most: number
}

/** Which of the receipts that wait. */
const FormChoose = ({ name, rows, none, most }: ChooseProps) => {
  const { field } = useController({ name })
  const chosen: readonly number[] = field.value
  const drawn = useDrawn(rows)
  return rows.length === 0 ? (
    <p className="sub border-y border-paper-200 py-3">{none}</p>
  ) : (
    <>
      {rows.length === most && (
        <p className="sub pb-1">The {most} oldest are listed. The others follow when these are recorded.</p>
      )}
      <div className="max-h-90 overflow-y-auto">
        <table className="ledger">
          <tbody>
            {drawn.map((r) => (
              <tr key={r.id}>
                <td className="w-8">
                  <input
                    type="checkbox"
                    aria-label={`Receipt ${r.number} of ${r.customer}`}
                    checked={chosen.includes(r.id)}
                    onChange={(e) =>
                      field.onChange(e.target.checked ? [...chosen, r.id] : chosen.filter((id) => id !== r.id))
                    }
                  />
                </td>
                <td className="font-figure">
                  <To className="hover:underline" href={`/receipts/${r.id}`}>
                    {r.number}
                  </To>
                </td>
                <td className="sub whitespace-nowrap">{r.on}</td>
                <td className="max-w-45 one-line">{r.customer}</td>
                <td className="fig">{formatDigits(r.amount)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  )
}

const slipSchema = () => import('@/contract/inputs/till/toBank').then((m) => m.bankSlipInput)
const settleSchema = () => import('@/contract/inputs/till/toBank').then((m) => m.settleCardsInput)

interface SlipDraft {
  on: string
  cash: string
  cheques: number[]
}

const Slip = ({ today, currency, inDrawer, cheques, most }: Props) => (
  <section>
    <h2>Banking slip</h2>
    <CommandForm
      method="POST"
      path="/banking-slips"
      schema={slipSchema}
      start={{ on: String(today), cash: '', cheques: cheques.map((c) => c.id) }}
      asBody={(d: SlipDraft) => ({ ...d, cash: d.cash || '0', cheques: idsOf(cheques, new Set(d.cheques)) })}
      say={(s) => `Slip ${s.number}: ${formatDigits(s.total)} goes to the bank.`}
      submit={<TakeToBank currency={currency} cheques={cheques} />}
    >
      <div className="mb-3 grid grid-cols-2 gap-3">
        <FormMoney
          name="cash"
          label="Cash from the drawer"
          currency={currency}
          hint={`Drawer should hold ${formatDigits(inDrawer)}`}
        />
        <FormOn today={today} />
      </div>
      <FormChoose name="cheques" rows={cheques} none="No checks to bank." most={most} />
    </CommandForm>
  </section>
)

const TakeToBank = ({ currency, cheques }: Pick<Props, 'currency' | 'cheques'>) => {
  const [cash, chosen] = useWatch<SlipDraft, ['cash', 'cheques']>({ name: ['cash', 'cheques'] })
  const total = sumMoney([readTyped(cash, currency), sumOf(cheques, new Set(chosen), currency)], currency)
  return <Submit>Take {formatMoney(total)} to the bank</Submit>
}

interface SettleDraft {
  on: string
  arrived: string
  receipts: number[]
}

/** What was chosen comes to, and what of it did not arrive; below zero where more came. */
const settled = ({ arrived, receipts }: Omit<SettleDraft, 'on'>, cards: readonly Waiting[], currency: string) => {
  const gross = sumOf(cards, new Set(receipts), currency)
  return { gross, fees: subtractMoney(gross, arrived === '' ? gross : readTyped(arrived, currency)) }
}

const useSettled = (cards: readonly Waiting[], currency: string) => {
  const [arrived, receipts] = useWatch<SettleDraft, ['arrived', 'receipts']>({ name: ['arrived', 'receipts'] })
  return { ...settled({ arrived, receipts }, cards, currency), none: idsOf(cards, new Set(receipts)).length === 0 }
}

type Cards = Pick<Props, 'today' | 'currency' | 'cards' | 'most'>

const Settle = ({ today, currency, cards, most }: Cards) => {
  const start: SettleDraft = { on: String(today), arrived: '', receipts: [] }
  return (
    <section>
      <h2>Card payout</h2>
      <CommandForm
        method="POST"
        path="/card-settlements"
        schema={settleSchema}
        start={start}
        asBody={(d) => ({
          on: d.on,
          receipts: idsOf(cards, new Set(d.receipts)),
          fees: toDecimalString(settled(d, cards, currency).fees),
        })}
        say={(s) => `${s.number}: ${formatDigits(s.net)} arrived.`}
        submit={<TheyArrived cards={cards} currency={currency} />}
      >
        <Arrived today={today} currency={currency} cards={cards} most={most} />
      </CommandForm>
    </section>
  )
}

const TheyArrived = ({ cards, currency }: Pick<Cards, 'cards' | 'currency'>) => {
  const { fees, none } = useSettled(cards, currency)
  return (
    <Submit quiet className="btn mt-3 w-full" disabled={none || fees.minor < 0n}>
      Record payout
    </Submit>
  )
}

/** What came, of which payments, and what was kept of it. */
const Arrived = ({ today, currency, cards, most }: Cards) => {
  const { gross, fees } = useSettled(cards, currency)
  return (
    <>
      <div className="mb-3 grid grid-cols-2 gap-3">
        <FormMoney
          name="arrived"
          label="Amount on the statement"
          currency={currency}
          hint={`${formatMoney(gross)} selected${fees.minor > 0n ? `, ${formatMoney(fees)} fees` : ''}`}
        />
        <FormOn today={today} />
      </div>
      <FormChoose name="receipts" rows={cards} none="No card payments waiting." most={most} />
      {fees.minor < 0n && (
        <p role="alert" className="mt-2 text-oxide-700">
          The payout is larger than the selected sales. Select the missing ones.
        </p>
      )}
    </>
  )
}
