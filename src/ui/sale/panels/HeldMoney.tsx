'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { Choice } from '../../Choice'
import { GiveBack } from '../../people/GiveBack'
import { CommandForm } from '../../form/CommandForm'
import { FormMoney, FormOn, FormSelect } from '../../form/inputs'
import { voidedBy } from '../../undone'
import type { PanelProps } from './parts'

const WAYS = [
  { value: 'refund', label: 'Refund it' },
  { value: 'move', label: 'Move it to another sale' },
  { value: 'account', label: 'Keep it on account' },
  { value: 'fetch', label: 'Use money from their account' },
] as const
type Way = (typeof WAYS)[number]['value']

const moveSchema = () => import('@/contract/inputs/money/moveHeld').then((m) => m.moveHeldInput)

/** Held money: back to the customer, to another sale, or to and from their account. */
export const HeldMoney = (props: PanelProps) => {
  const { sale } = props
  const { otherSales, onAccount } = sale.promise
  const ways = WAYS.filter((w) =>
    w.value === 'fetch'
      ? Number(onAccount) > 0 && sale.stands !== 'cancelled'
      : Number(sale.held) > 0 && (w.value !== 'move' || otherSales.length > 0),
  )
  const [way, setWay] = useState<Way>(ways[0]?.value ?? 'refund')
  return (
    <>
      <p className="mb-3">
        {formatDigits(sale.held)} is held for this sale
        {Number(onAccount) > 0 && `, ${formatDigits(onAccount)} on their account`}.
      </p>
      <Choice label="What to do" value={way} options={ways} onChoose={setWay} />
      {way === 'refund' ? (
        <GiveBack
          customerId={sale.customerId}
          name={sale.customer}
          currency={sale.currency}
          today={props.today}
          from={{ saleId: sale.id, amount: sale.held }}
          onDone={props.onClose}
        />
      ) : (
        <Move key={way} way={way} {...props} />
      )}
    </>
  )
}

/** From where to where held money goes; what is left out is their account. */
const between = (way: Exclude<Way, 'refund'>, saleId: number, other: string) =>
  way === 'fetch'
    ? { toSaleId: saleId }
    : { fromSaleId: saleId, ...(way === 'move' ? { toSaleId: Number(other) } : {}) }

const Move = ({ way, sale, today, onClose }: PanelProps & { readonly way: Exclude<Way, 'refund'> }) => {
  const { otherSales, onAccount } = sale.promise
  const start = {
    amount: way === 'fetch' ? onAccount : sale.held,
    on: String(today),
    toSaleId: String(otherSales[0]?.id ?? ''),
  }
  return (
    <CommandForm
      method="POST"
      path="/held-moves"
      schema={moveSchema}
      start={start}
      asBody={({ amount, on, toSaleId }) => ({
        customerId: sale.customerId,
        amount,
        on,
        ...between(way, sale.id, toSaleId),
      })}
      say={(_, d) => `${formatDigits(d.amount)} moved; it is still held.`}
      undo={(m, d) => voidedBy(`/held-moves/${m.id}/reverse`, d.on, 'It is held where it was.')}
      onDone={onClose}
      submit="Save"
    >
      <div className="mt-3 grid gap-3">
        {way === 'move' && (
          <FormSelect
            name="toSaleId"
            label="To sale"
            options={otherSales.map((o) => ({ value: String(o.id), name: `${o.number} ${o.title}` }))}
          />
        )}
        <FormMoney name="amount" label="Amount" currency={sale.currency} />
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}
