'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { CommandForm } from '../../form/CommandForm'
import { FormMoney, FormOn, FormReason } from '../../form/inputs'
import { WhichWayBack } from '../../WhichWayBack'
import { voidedBy } from '../../undone'
import type { PanelProps } from './parts'
import { WhichDue } from './WhichDue'

const schema = () => import('@/contract/inputs/money/writeOff').then((m) => m.writeOffDueInput.omit({ dueId: true }))

/** A due is given up. */
export const WriteOff = ({ sale, today, onClose }: PanelProps) => {
  const { dues } = sale.promise
  const [dueId, setDue] = useState(dues[0]?.id)
  return (
    <>
      <p className="mb-3">
        This amount is no longer owed. It is posted as a bad debt; sales tax is reversed if your settings allow.
      </p>
      <WhichWayBack />
      <WhichDue label="Which" dues={dues} dueId={dueId} onDue={setDue} />
      <CommandForm
        key={dueId}
        method="POST"
        path={`/dues/${dueId ?? 0}/write-off`}
        schema={schema}
        start={{ amount: dues.find((d) => d.id === dueId)?.open ?? '', reason: '', on: String(today) }}
        asBody={(d) => d}
        say={(w) => `${w.number}: ${formatDigits(w.amount)} written off.`}
        undo={(w, d) => voidedBy(`/write-offs/${w.id}/recover`, d.on, 'It is owed again.')}
        onDone={onClose}
        preview={{ currency: sale.currency }}
        submit="Write off"
      >
        <div className="grid gap-3">
          <FormMoney name="amount" label="Amount" currency={sale.currency} />
          <FormReason />
          <FormOn today={today} />
        </div>
      </CommandForm>
    </>
  )
}
