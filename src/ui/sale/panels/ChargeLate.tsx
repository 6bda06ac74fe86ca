'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { CommandForm } from '../../form/CommandForm'
import { FormMoney, FormOn } from '../../form/inputs'
import type { PanelProps } from './parts'
import { WhichDue } from './WhichDue'

const schema = () => import('@/contract/inputs/money/chargeExtra').then((m) => m.chargeLateInput.omit({ dueId: true }))

/** A late charge that was agreed, on what is late. */
export const ChargeLate = ({ sale, today, onClose }: PanelProps) => {
  const { lateCharges, dues } = sale.promise
  const late = dues.filter((d) => d.late)
  const [dueId, setDue] = useState(lateCharges[0]?.dueId ?? late[0]?.id)
  const agreed = lateCharges.find((c) => c.dueId === dueId)
  return (
    <>
      <WhichDue label="For" dues={late} dueId={dueId} onDue={setDue} />
      <CommandForm
        key={dueId}
        method="POST"
        path={`/dues/${dueId ?? 0}/late-charge`}
        schema={schema}
        start={{ amount: agreed?.amount ?? '', on: String(today) }}
        asBody={(d) => d}
        say={(c) => `Late fee of ${formatDigits(c.amount)} added, due now.`}
        preview={{ currency: sale.currency }}
        onDone={onClose}
        submit="Add late fee"
      >
        <div className="grid gap-3">
          <FormMoney
            name="amount"
            label="Late fee"
            currency={sale.currency}
            hint={
              agreed
                ? 'As agreed'
                : 'None was agreed. A late fee needs the customer’s agreement; check what your law allows.'
            }
          />
          <FormOn today={today} />
        </div>
      </CommandForm>
    </>
  )
}
