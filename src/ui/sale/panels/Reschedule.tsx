'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { addMonths } from '@/core/day'
import { CommandForm } from '../../form/CommandForm'
import { FormDay, FormMoney, FormQuantity, FormSelect } from '../../form/inputs'
import { EVERY, rhythm } from '../arrangementDraft'
import type { PanelProps } from './parts'
import { WhichPlan } from './WhichPlan'

const schema = () =>
  import('@/contract/inputs/plans/changePlan').then((m) => m.reschedulePlanInput.omit({ saleId: true }))

/** New rows for what is open. */
export const Reschedule = ({ sale, today, onClose }: PanelProps) => {
  const [planId, setPlanId] = useState(sale.promise.plans[0]?.id)
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/installments/reschedule`}
      schema={schema}
      start={{ count: '12', every: 'month', firstDue: String(addMonths(today, 1)), charge: { flat: '' } }}
      asBody={({ charge, ...d }) => ({
        ...d,
        planId,
        count: Number(d.count),
        every: rhythm(d.every),
        ...(charge.flat ? { charge } : {}),
      })}
      say={(p, d) => `Rescheduled: ${formatDigits(p.totalPayments)} in ${d.count} payments.`}
      onDone={onClose}
      submit="Reschedule"
    >
      <p className="mb-3">
        The unpaid balance is spread over new payments. The old schedule stays on record. The remaining finance charge
        carries over unless you enter a new one.
      </p>
      <WhichPlan sale={sale} planId={planId} onPlan={setPlanId} />
      <div className="grid grid-cols-2 gap-3">
        <FormQuantity name="count" label="Number of payments" />
        <FormSelect
          name="every"
          label="How often"
          options={EVERY.map(({ value, label }) => ({ value, name: label }))}
        />
        <FormDay name="firstDue" label="First payment due" today={today} />
        <FormMoney name="charge.flat" label="New finance charge" currency={sale.currency} />
      </div>
    </CommandForm>
  )
}
