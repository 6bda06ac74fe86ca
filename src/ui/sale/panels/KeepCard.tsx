'use client'
import { useState } from 'react'
import { CommandForm, Submit } from '../../form/CommandForm'
import { FormText } from '../../form/inputs'
import type { PanelProps } from './parts'
import { WhichPlan } from './WhichPlan'

const schema = () => import('@/contract/inputs/plans/changePlan').then((m) => m.keepCardInput.omit({ saleId: true }))

/** A card kept for the plan, to collect from by itself. */
export const KeepCard = ({ sale, onClose }: PanelProps) => {
  const [planId, setPlanId] = useState(sale.promise.plans[0]?.id)
  const kept = sale.promise.plans.find((p) => p.id === planId)?.card ?? ''
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/installments/card`}
      schema={schema}
      start={{ number: '', forget: false }}
      asBody={({ number, forget }) => ({ planId, ...(forget ? {} : { number }) })}
      say={(_, d) => (d.forget ? 'Card removed.' : 'Card saved: it is charged on each due date.')}
      onDone={onClose}
      submit={
        <>
          {kept && (
            <Submit quiet set={['forget', true]} className="btn mt-4 w-full">
              Remove card
            </Submit>
          )}
          <Submit set={['forget', false]}>Save card</Submit>
        </>
      }
    >
      <p className="mb-3">
        The card is charged on each due date. If it is declined, Today tells you why and it is tried again after three
        days. The card number itself is not stored.
      </p>
      <WhichPlan sale={sale} planId={planId} onPlan={setPlanId} />
      {kept && <p className="mb-3">Card ending {kept} is saved.</p>}
      <FormText name="number" label="Card number" most={23} digits />
    </CommandForm>
  )
}
