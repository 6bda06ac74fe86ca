'use client'
import { useState, type ReactNode } from 'react'
import { useFormContext } from 'react-hook-form'
import type { BodyTo } from '@/contract/calls'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { SPREAD_BY, type SpreadBy } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormAccount, type AccountChoice } from '../form/FormAccount'
import { findReceived, Picker } from '../Picker'
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

interface Shared {
  readonly currency: string
  readonly today: Day
  readonly onDone: () => void
}

interface SpreadProps<D extends object> extends Shared {
  readonly start: D
  readonly asBody: (draft: D & { by: SpreadBy; on: string }) => BodyTo<'POST', '/landed-costs'>
  /** What becomes of the cost. */
  readonly does: string
  /** Which cost, and over what. */
  readonly children: ReactNode
}

/** A cost joins what goods cost, spread over what came. */
const Spread = <D extends object>({ start, asBody, does, currency, today, onDone, children }: SpreadProps<D>) => (
  <CommandForm
    method="POST"
    path="/landed-costs"
    schema={schema}
    start={{ ...START, on: String(today), ...start }}
    asBody={asBody}
    say={(c) => `${c.number}: ${formatDigits(c.amount)} added to what the goods cost.`}
    preview={{ currency }}
    onDone={onDone}
    submit="Add to cost of goods"
  >
    <p className="mb-3">{does}</p>
    <div className="grid gap-3">
      {children}
      <div className="grid grid-cols-2 gap-3">
        <FormPick name="by" label="Spread by" options={NAMES} />
        <FormOn today={today} />
      </div>
    </div>
  </CommandForm>
)

interface Props extends Shared {
  /** The lines of the bill that are a cost by account, like freight. */
  readonly costs: readonly Choosable[]
  /** What came lately, the newest first; more is found while typing. */
  readonly received: readonly Choosable[]
}

/** Its field in the form: by the receipt, whatever else is listed. */
const tickOf = ({ id }: Pick<Choosable, 'id'>): string => `r${id}`

/** What came, each to be ticked; what came longer ago joins the list when it is found. */
const TickReceived = ({ received }: Pick<Props, 'received'>) => {
  const { setValue } = useFormContext()
  const [found, setFound] = useState<readonly Choosable[]>([])
  return (
    <>
      <fieldset>
        <legend className="label">Goods received</legend>
        <div className="max-h-48 overflow-y-auto border border-iron-300 px-2">
          {[...found, ...received].map((r) => (
            <FormCheck key={r.id} name={`ticked.${tickOf(r)}`} label={r.says} />
          ))}
        </div>
      </fieldset>
      <Picker<Choosable>
        label="Other goods received"
        placeholder="Find by number or supplier"
        chosen=""
        many
        find={findReceived}
        onPick={(r) => {
          setValue(`ticked.${tickOf(r)}`, true, { shouldDirty: true })
          if (![...found, ...received].some(({ id }) => id === r.id)) setFound([r, ...found])
        }}
      />
    </>
  )
}

/** A freight or duty line of a bill joins what goods cost: spread over all receipts that are ticked. */
export const SpreadForm = ({ costs, received, ...shared }: Props) => (
  <Spread
    {...shared}
    start={{
      billLineId: String(costs[0]?.id ?? ''),
      ticked: Object.fromEntries(received.map((r, i) => [tickOf(r), i === 0])),
    }}
    asBody={({ ticked, ...d }) => ({
      ...d,
      receivedIds: Object.keys(ticked).flatMap((tick) => (ticked[tick] ? [Number(tick.slice(1))] : [])),
    })}
    does="It leaves its account: to stock for goods still here, else to cost of goods sold."
  >
    <FormSelect name="billLineId" label="Cost" options={costs.map((c) => ({ value: String(c.id), name: c.says }))} />
    <TickReceived received={received} />
  </Spread>
)

interface AccountProps extends Shared {
  readonly receivedId: number
  /** Where the owner may post by hand. */
  readonly accounts: readonly AccountChoice[]
}

/** Freight or duty that no bill has, as when it was paid at the door: it leaves the account it was put on. */
export const SpreadFromAccount = ({ receivedId, accounts, ...shared }: AccountProps) => (
  <Spread
    {...shared}
    start={{ amount: '', fromAccountId: '' }}
    asBody={(d) => ({
      ...d,
      amount: d.amount || undefined,
      fromAccountId: Number(d.fromAccountId) || undefined,
      receivedIds: [receivedId],
    })}
    does="For a cost that is on no bill. It leaves the account it was put on: to stock for goods still here, else to cost of goods sold. A freight line of a bill is added from that bill."
  >
    <FormMoney name="amount" label="Amount" currency={shared.currency} />
    <FormAccount name="fromAccountId" label="Account it is on" accounts={accounts} />
  </Spread>
)
