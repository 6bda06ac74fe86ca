'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { formatMoney, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import { DayField, MoneyField } from '../fields'
import { readTyped } from '../money/filling'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

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
}

/** A banking slip of cash and cheques, and card takings that arrived. */
export const ToBankForms = (props: Props) => (
  <div className="grid gap-x-10 gap-y-8 lg:grid-cols-2">
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

const Choose = ({
  rows,
  chosen,
  onChosen,
  none,
}: {
  readonly rows: readonly Waiting[]
  readonly chosen: ReadonlySet<number>
  readonly onChosen: (chosen: ReadonlySet<number>) => void
  readonly none: string
}) =>
  rows.length === 0 ? (
    <p className="sub border-y border-paper-200 py-3">{none}</p>
  ) : (
    <div className="max-h-[360px] overflow-y-auto">
      <table className="ledger">
        <tbody>
          {rows.map((r) => (
            <tr key={r.id}>
              <td className="w-8">
                <input
                  type="checkbox"
                  aria-label={`Receipt ${r.number} of ${r.customer}`}
                  checked={chosen.has(r.id)}
                  onChange={(e) => {
                    const next = new Set(chosen)
                    if (e.target.checked) next.add(r.id)
                    else next.delete(r.id)
                    onChosen(next)
                  }}
                />
              </td>
              <td className="font-figure">{r.number}</td>
              <td className="sub whitespace-nowrap">{r.on}</td>
              <td className="max-w-[180px] truncate">{r.customer}</td>
              <td className="fig">{r.amount}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )

const Slip = ({ today, currency, inDrawer, cheques }: Props) => {
  const { send, busy, refused } = useSend()
  const [cash, setCash] = useState('')
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set(cheques.map((c) => c.id)))
  const [on, setOn] = useState<string>(today)
  const total = sumMoney([readTyped(cash, currency), sumOf(cheques, chosen, currency)], currency)
  return (
    <section>
      <h2>Banking slip</h2>
      <div className="mb-3 grid grid-cols-2 gap-3">
        <MoneyField
          label="Cash from the drawer"
          currency={currency}
          value={cash}
          onValue={setCash}
          problem={messageFor(refused, 'cash')}
          hint={`${inDrawer} is in it by the books`}
        />
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Choose rows={cheques} chosen={chosen} onChosen={setChosen} none="No cheque waits." />
      <Refusal refused={refused} />
      <button
        className="btn btn-do mt-3 w-full"
        data-primary
        disabled={busy}
        onClick={() =>
          void send(
            'POST',
            '/banking-slips',
            { on, cash: cash || '0', cheques: idsOf(cheques, chosen) },
            { say: (s) => `Slip ${s.number}: ${s.total} goes to the bank.` },
          )
        }
      >
        Take {formatMoney(total)} to the bank
      </button>
    </section>
  )
}

const Settle = ({ today, currency, cards }: Props) => {
  const { send, busy, refused } = useSend()
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set())
  const [arrived, setArrived] = useState('')
  const [on, setOn] = useState<string>(today)
  const gross = sumOf(cards, chosen, currency)
  const fees = arrived === '' ? readTyped('0', currency) : subtractMoney(gross, readTyped(arrived, currency))
  return (
    <section>
      <h2>Card takings arrived</h2>
      <div className="mb-3 grid grid-cols-2 gap-3">
        <MoneyField
          label="What the statement shows"
          currency={currency}
          value={arrived}
          onValue={setArrived}
          hint={`${formatMoney(gross)} chosen${fees.minor > 0n ? `, ${formatMoney(fees)} kept as fees` : ''}`}
        />
        <DayField label="On" today={today} value={on} onValue={setOn} problem={messageFor(refused, 'on')} />
      </div>
      <Choose rows={cards} chosen={chosen} onChosen={setChosen} none="No card payment waits." />
      {fees.minor < 0n && (
        <p role="alert" className="mt-2 text-oxide-700">
          More arrived than was chosen. Choose what else is in it.
        </p>
      )}
      <Refusal refused={refused} />
      <button
        className="btn mt-3 w-full"
        disabled={busy || idsOf(cards, chosen).length === 0 || fees.minor < 0n}
        onClick={() =>
          void send(
            'POST',
            '/card-settlements',
            { on, receipts: idsOf(cards, chosen), fees: toDecimalString(fees) },
            { say: (s) => `${s.number}: ${s.net} arrived.` },
          )
        }
      >
        They arrived
      </button>
    </section>
  )
}
