'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { SPREAD_BY, type SpreadBy } from '@/core/kinds'
import { CommandForm } from '../form/CommandForm'
import { FormOn, FormPick, FormSelect } from '../form/inputs'
import { Panel } from '../Panel'

const NAMES: Readonly<Record<SpreadBy, string>> = {
  value: 'Worth',
  quantity: 'Quantity',
  weight: 'Weight',
  volume: 'Volume',
}
const START: { by: SpreadBy } = { by: SPREAD_BY[0] }
const schema = () => import('@/contract/inputs/buying/landedCost').then((m) => m.landedCostInput)

interface Props {
  /** The lines of the bill that are a cost by account, like freight. */
  readonly lines: readonly { readonly id: number; readonly says: string }[]
  /** What came lately, the newest first. */
  readonly received: readonly { readonly id: number; readonly says: string }[]
  readonly currency: string
  readonly today: Day
}

/** A freight or duty line of a bill joins what goods cost: spread over what came. */
export const SpreadCost = ({ lines, received, currency, today }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  const choose = (rows: Props['lines']) => rows.map((r) => ({ value: String(r.id), name: r.says }))
  const none = { value: '', name: 'No other' }
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Add to cost of goods
      </button>
      <Panel open={open} onClose={close} title="Add to cost of goods">
        <CommandForm
          method="POST"
          path="/landed-costs"
          schema={schema}
          start={{
            ...START,
            on: String(today),
            billLineId: String(lines[0]?.id ?? ''),
            first: String(received[0]?.id ?? ''),
            second: '',
          }}
          asBody={({ first, second, ...d }) => ({ ...d, receivedIds: second === '' ? [first] : [first, second] })}
          say={(c) => `${c.number}: ${formatDigits(c.amount)} added to what the goods cost.`}
          preview={{ currency }}
          onDone={close}
          submit="Add to cost of goods"
        >
          <p className="mb-3">It leaves its account: to stock for goods still here, else to cost of goods sold.</p>
          <div className="grid gap-3">
            <FormSelect name="billLineId" label="Cost" options={choose(lines)} />
            <FormSelect name="first" label="Goods received" options={choose(received)} />
            <FormSelect name="second" label="And" options={[none, ...choose(received)]} />
            <div className="grid grid-cols-2 gap-3">
              <FormPick name="by" label="Spread by" options={NAMES} />
              <FormOn today={today} />
            </div>
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}
