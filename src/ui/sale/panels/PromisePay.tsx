'use client'
import { addDays } from '@/core/day'
import { CommandForm } from '../../form/CommandForm'
import { FormDay, FormMoney, FormText } from '../../form/inputs'
import type { PanelProps } from './parts'

const schema = () => import('@/contract/inputs/chase/promisePay').then((m) => m.promisePayInput.omit({ saleId: true }))

/** They promised to pay by a day. */
export const PromisePay = ({ sale, today, onClose }: PanelProps) => (
  <CommandForm
    method="POST"
    path={`/sales/${sale.id}/promises`}
    schema={schema}
    start={{ by: String(addDays(today, 7)), amount: sale.open, note: '' }}
    asBody={(d) => d}
    say={() => 'Saved. If the money does not arrive, it shows up in Today the day after.'}
    onDone={onClose}
    submit="Save promise"
  >
    <div className="grid gap-3">
      <FormDay name="by" label="Will pay by" today={today} />
      <FormMoney name="amount" label="Amount" currency={sale.currency} />
      <FormText name="note" label="Note" most={500} />
    </div>
  </CommandForm>
)
