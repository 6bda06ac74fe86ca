'use client'
import { useWatch } from 'react-hook-form'
import { addMonths, type Day } from '@/core/day'
import { CommandForm } from '../../form/CommandForm'
import { FormChoice, FormOn, FormPick, FormQuantity } from '../../form/inputs'
import { isNone, Quantities, quantitiesOf, type LineQuantity, type PanelProps } from './parts'

const BY = { counter: 'across the counter', parcel: 'as a parcel', delivery: 'delivered' } as const

interface Draft {
  on: string
  by: keyof typeof BY
  lines: LineQuantity[]
  turnInto: { kind: 'installments' | 'terms'; count: string }
}

const schema = () => import('@/contract/inputs/sales/handOver').then((m) => m.handOverInput.omit({ saleId: true }))

/** What is left of a layaway becomes this, where its goods go before it is paid up. */
const restAs = ({ kind, count }: Draft['turnInto'], held: string, today: Day) =>
  kind === 'terms'
    ? { kind, net: 30 }
    : {
        kind,
        firstPayment: held,
        count: Number(count) || 1,
        every: 'month' as const,
        firstDue: addMonths(today, 1),
      }

/** Goods go to the customer. */
export const HandOver = ({ sale, today, onClose }: PanelProps) => {
  const waiting = sale.lines.filter((l) => Number(l.toHandOver) > 0)
  const { layaway } = sale.promise
  const early = layaway !== null && Number(layaway.left) > 0
  const start: Draft = {
    on: String(today),
    by: 'counter',
    lines: quantitiesOf(waiting, (l) => (l.fromShelf ? l.setAside : l.toHandOver)),
    turnInto: { kind: 'installments', count: '3' },
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/handovers`}
      schema={schema}
      start={start}
      asBody={({ turnInto, ...d }) => ({ ...d, ...(early ? { turnInto: restAs(turnInto, sale.held, today) } : {}) })}
      skip={{ lines: isNone }}
      say={() =>
        `Handed over to ${sale.customer}${layaway ? ', and billed' : ''}. The cost of what left is in the books.`
      }
      onDone={onClose}
      submit="Hand over"
    >
      <Quantities
        name="lines"
        lines={waiting}
        most={(l) => l.toHandOver}
        side={(l) => (l.fromShelf ? `${l.setAside} of ${l.toHandOver} on the shelf` : 'work or charge: done or not')}
      />
      <div className="grid grid-cols-2 gap-3">
        <FormPick name="by" label="How" options={BY} />
        <FormOn today={today} />
      </div>
      {early && <GoingEarly left={layaway.left} />}
    </CommandForm>
  )
}

const GoingEarly = ({ left }: { readonly left: string }) => {
  const kind = useWatch<Draft, 'turnInto.kind'>({ name: 'turnInto.kind' })
  return (
    <div className="mt-4 border-l-4 border-brass-600 bg-brass-100 px-3 py-2.5">
      <p className="mb-2">
        {left} of this layaway is still to come, so the goods should stay. If they go all the same, it is billed now and
        the rest becomes:
      </p>
      <FormChoice
        name="turnInto.kind"
        label="The rest"
        options={[
          { value: 'installments', label: 'monthly installments' },
          { value: 'terms', label: 'due in 30 days' },
        ]}
      />
      {kind === 'installments' && <FormQuantity name="turnInto.count" label="Payments" />}
    </div>
  )
}
