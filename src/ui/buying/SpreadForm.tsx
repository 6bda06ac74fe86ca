'use client'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { SPREAD_BY, type SpreadBy } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormOn, FormPick, FormSelect } from '../form/inputs'

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
