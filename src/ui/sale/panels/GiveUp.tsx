'use client'
import { CommandForm } from '../../form/CommandForm'
import { FormMethod, FormOn } from '../../form/inputs'
import { showMoney } from '../../fields'
import { Sum } from '../../Sum'
import type { PanelProps } from './parts'

const schema = () =>
  import('@/contract/inputs/plans/giveUpLayaway').then((m) => m.giveUpLayawayInput.omit({ saleId: true }))

/** A layaway is given up: the fee, the refund, the goods, in one step. */
export const GiveUp = ({ sale, today, onClose }: PanelProps) => {
  const { layaway } = sale.promise
  const show = (amount: string) => showMoney(amount, sale.currency)
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/layaway/give-up`}
      schema={schema}
      start={{ on: String(today), method: 'cash' as const }}
      asBody={(d) => d}
      say={(g) => `Given up: ${g.fee} kept as the fee, ${g.refund} given back. The goods are available.`}
      onDone={onClose}
      submit="Give it up"
    >
      <Sum
        rows={[
          { what: 'Held for them', amount: show(sale.held) },
          { what: 'Fee, by the terms', amount: `−${show(layaway?.fee ?? '0')}` },
        ]}
        total={{ what: 'Given back', amount: show(layaway?.back ?? sale.held) }}
      />
      <FormMethod label="Given back by" />
      <div className="mt-3">
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}
