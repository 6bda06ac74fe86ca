'use client'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { SPREAD_BY, type SpreadBy } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormAccount, type AccountChoice } from '../form/FormAccount'
import { FormCheck, FormMoney, FormOn, FormPick, FormSelect } from '../form/inputs'

/** How a cost is spread over what came. */
const NAMES: Readonly<Record<SpreadBy, string>> = {
  value: 'Worth',
  quantity: 'Quantity',
  weight: 'Weight',
  volume: 'Volume',
}
const START: { by: SpreadBy } = { by: SPREAD_BY[0] }
const schema = () => import('@/contract/inputs/buying/landedCost').then((m) => m.landedCostInput)

/** A line of a bill, or a receipt, as it is chosen. */
export interface Choosable {
  readonly id: number
  readonly says: string
}

interface Props {
  /** The lines of the bill that are a cost by account, like freight. */
  readonly costs: readonly Choosable[]
  /** What came lately, the newest first. */
  readonly received: readonly Choosable[]
  readonly currency: string
  readonly today: Day
  readonly onDone: () => void
}

/** A freight or duty line of a bill joins what goods cost: spread over all receipts that are ticked. */
export const SpreadForm = ({ costs, received, currency, today, onDone }: Props) => (
  <CommandForm
    method="POST"
    path="/landed-costs"
    schema={schema}
    start={{
      ...START,
      on: String(today),
      billLineId: String(costs[0]?.id ?? ''),
      ticked: received.map((_, i) => i === 0),
    }}
    asBody={({ ticked, ...d }) => ({ ...d, receivedIds: received.flatMap((r, i) => (ticked[i] ? [r.id] : [])) })}
    say={(c) => `${c.number}: ${formatDigits(c.amount)} added to what the goods cost.`}
    preview={{ currency }}
    onDone={onDone}
    submit="Add to cost of goods"
  >
    <p className="mb-3">It leaves its account: to stock for goods still here, else to cost of goods sold.</p>
    <div className="grid gap-3">
      <FormSelect name="billLineId" label="Cost" options={costs.map((c) => ({ value: String(c.id), name: c.says }))} />
      <fieldset>
        <legend className="label">Goods received</legend>
        <div className="max-h-48 overflow-y-auto border border-iron-300 px-2">
          {received.map((r, i) => (
            <FormCheck key={r.id} name={`ticked.${i}`} label={r.says} />
          ))}
        </div>
      </fieldset>
      <div className="grid grid-cols-2 gap-3">
        <FormPick name="by" label="Spread by" options={NAMES} />
        <FormOn today={today} />
      </div>
    </div>
  </CommandForm>
)

interface AccountProps {
  readonly receivedId: number
  /** Where the owner may post by hand. */
  readonly accounts: readonly AccountChoice[]
  readonly currency: string
  readonly today: Day
  readonly onDone: () => void
}

/** Freight or duty that no bill has, as when it was paid at the door: it leaves the account it was put on. */
export const SpreadFromAccount = ({ receivedId, accounts, currency, today, onDone }: AccountProps) => (
  <CommandForm
    method="POST"
    path="/landed-costs"
    schema={schema}
    start={{ ...START, on: String(today), amount: '', fromAccountId: '' }}
    asBody={(d) => ({
      ...d,
      amount: d.amount || undefined,
      fromAccountId: Number(d.fromAccountId) || undefined,
      receivedIds: [receivedId],
    })}
    say={(c) => `${c.number}: ${formatDigits(c.amount)} added to what the goods cost.`}
    preview={{ currency }}
    onDone={onDone}
    submit="Add to cost of goods"
  >
    <p className="mb-3">
      For a cost that is on no bill. It leaves the account it was put on: to stock for goods still here, else to cost of
      goods sold. A freight line of a bill is added from that bill.
    </p>
    <div className="grid gap-3">
      <FormMoney name="amount" label="Amount" currency={currency} />
      <FormAccount name="fromAccountId" label="Account it is on" accounts={accounts} />
      <div className="grid grid-cols-2 gap-3">
        <FormPick name="by" label="Spread by" options={NAMES} />
        <FormOn today={today} />
      </div>
    </div>
  </CommandForm>
)
