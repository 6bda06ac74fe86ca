'use client'
import { useWatch } from 'react-hook-form'
import { formatDigits } from '@/core/locale'
import { addMonths, type Day } from '@/core/day'
import { CommandForm } from '../../form/CommandForm'
import { splitSerials } from '@/core/stock'
import type { HandoverBy, Track } from '@/core/kinds'
import { HANDOVER_BY_NAMES } from '@/core/names'
import { FormChoice, FormMoney, FormOn, FormPick, FormQuantity, FormText } from '../../form/inputs'
import { useTakenFrom } from './useTakenFrom'
import { Quantities, quantitiesOf, type LineQuantity, type PanelProps } from './parts'
import { isEmptyRow } from '../../form/isEmptyRow'

interface Draft {
  on: string
  by: HandoverBy
  lines: (LineQuantity & { which: string })[]
  turnInto: { kind: 'installments' | 'terms'; count: string }
  /** What they are charged for sending it; empty for nothing. */
  freight: string
}

const schema = () => import('@/contract/inputs/sales/handOver').then((m) => m.handOverInput.omit({ saleId: true }))

/** What is left of a layaway becomes this, where its goods go before it is paid up. */
const restAs = ({ kind, count }: Draft['turnInto'], held: string, today: Day) =>
  kind === 'terms'
    ? { kind, net: 30 }
    : {
        kind,
        firstPayment: held,
        count: Number(count),
        every: 'month' as const,
        firstDue: addMonths(today, 1),
      }

/** A line as the call takes it: the lot or the serials that were named, else whatever is proposed. */
const handed = ({ which, ...l }: Draft['lines'][number], track: Track) => ({
  ...l,
  ...(which.trim() === '' || track === 'none'
    ? {}
    : track === 'lot'
      ? { lot: which.trim() }
      : { serials: splitSerials(which) }),
})

/** Goods go to the customer. */
export const HandOver = ({ sale, today, onClose }: PanelProps) => {
  const waiting = sale.lines.filter((l) => Number(l.toHandOver) > 0)
  const { layaway } = sale.promise
  const goods = waiting.some((l) => l.fromShelf)
  const early = layaway !== null && Number(layaway.left) > 0
  const start: Draft = {
    on: String(today),
    by: 'counter',
    lines: quantitiesOf(waiting, (l) => (l.fromShelf ? l.setAside : l.toHandOver)).map((l) => ({ ...l, which: '' })),
    turnInto: { kind: 'installments', count: '3' },
    freight: '',
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/handovers`}
      schema={schema}
      start={start}
      asBody={({ turnInto, lines, freight, ...d }) => ({
        ...d,
        ...(freight === '' || d.by === 'counter' ? {} : { freight }),
        lines: lines.map((l) => handed(l, waiting.find((w) => w.id === l.lineId)?.track ?? 'none')),
        ...(early ? { turnInto: restAs(turnInto, sale.held, today) } : {}),
      })}
      skip={{ lines: isEmptyRow }}
      say={() =>
        `Handed over to ${sale.customer}${layaway ? ' and invoiced' : ''}.${goods ? ' The cost of goods is posted.' : ''}`
      }
      preview={{ currency: sale.currency }}
      onDone={onClose}
      submit="Hand over"
    >
      <Leaving saleId={sale.id} lines={waiting} goods={goods} />
      <div className="grid grid-cols-2 gap-3">
        <FormPick name="by" label="Method" options={HANDOVER_BY_NAMES} />
        <FormOn today={today} />
      </div>
      <Freight currency={sale.currency} />
      {early && <GoingEarly left={layaway.left} />}
    </CommandForm>
  )
}

interface LeavingProps {
  readonly saleId: number
  readonly lines: PanelProps['sale']['lines']
  /** Some of them come from a shelf. */
  readonly goods: boolean
}

/** How many of each leave, and from where on the day that is typed. */
const Leaving = ({ saleId, lines, goods }: LeavingProps) => {
  const on = useWatch<Draft, 'on'>({ name: 'on' })
  const takenFrom = useTakenFrom(saleId, on, goods)
  const inStock = (l: LeavingProps['lines'][number]) =>
    `${formatDigits(l.setAside)} of ${formatDigits(l.toHandOver)} in stock`
  return (
    <Quantities
      name="lines"
      lines={lines}
      most={(l) => l.toHandOver}
      side={(l) =>
        l.fromShelf ? [inStock(l), takenFrom.get(l.id)].filter(Boolean).join('; ') : 'Work or charge: mark what is done'
      }
      more={(l, i) => l.track !== 'none' && <Which line={l} index={i} />}
    />
  )
}

/** Which lot or serials go, where the owner says it; else those that are proposed. */
const Which = ({ line, index }: { readonly line: LeavingProps['lines'][number]; readonly index: number }) => (
  <FormText
    name={`lines.${index}.which`}
    label={`${line.track === 'lot' ? 'Lot' : 'Serials'}: ${line.description}`}
    hideLabel
    most={2000}
    placeholder={line.track === 'lot' ? 'lot, or the one proposed' : 'serials, or those proposed'}
  />
)

/** What they are charged for sending it: a line of its own on the order. */
const Freight = ({ currency }: { readonly currency: string }) =>
  useWatch<Draft, 'by'>({ name: 'by' }) !== 'counter' && (
    <div className="mt-3">
      <FormMoney name="freight" label="Freight charged" currency={currency} />
    </div>
  )

const GoingEarly = ({ left }: { readonly left: string }) => {
  const kind = useWatch<Draft, 'turnInto.kind'>({ name: 'turnInto.kind' })
  return (
    <div className="notice mt-4">
      <p className="mb-2">
        {formatDigits(left)} is still unpaid, so the goods should stay here. If you hand them over anyway, the sale is
        invoiced now and the balance becomes:
      </p>
      <FormChoice
        name="turnInto.kind"
        label="The balance"
        options={[
          { value: 'installments', label: 'Monthly installments' },
          { value: 'terms', label: 'Net 30 days' },
        ]}
      />
      {kind === 'installments' && <FormQuantity name="turnInto.count" label="Payments" />}
    </div>
  )
}
