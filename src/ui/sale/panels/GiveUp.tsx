'use client'
import { formatDigits } from '@/core/locale'
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
      say={(g) =>
        `Layaway canceled: ${formatDigits(g.fee)} fee kept, ${formatDigits(g.refund)} refunded. The goods are available again.`
      }
      preview={{ currency: sale.currency }}
      onDone={onClose}
      submit="Cancel layaway"
    >
      <Sum
        rows={[
          { what: 'Held', amount: show(sale.held) },
          { what: 'Cancellation fee (per agreement)', amount: `−${show(layaway?.fee ?? '0')}` },
        ]}
        total={{ what: 'Refund', amount: show(layaway?.back ?? sale.held) }}
      />
      <FormMethod label="Refund by" />
      <div className="mt-3">
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}
