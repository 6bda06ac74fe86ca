'use client'
import { addDays, day, formatDay } from '@/core/day'
import { present } from '@/core/present'
import { CommandForm } from '../../form/CommandForm'
import { FormDay, FormReason } from '../../form/inputs'
import type { PanelProps } from './parts'

const schemas = () => import('@/contract/inputs/sales/markNext')
const putOff = () => schemas().then((m) => m.putOffNextInput.omit({ saleId: true }))
const drop = () => schemas().then((m) => m.dropNextInput.omit({ saleId: true }))

/** The pressing step: put off until a day, or done away with for a reason. */
export const PutOff = ({ sale, today, onClose }: PanelProps) => {
  const { action, why } = present(sale.step)
  const back = {
    method: 'POST',
    path: `/sales/${sale.id}/next/bring-back`,
    body: { action },
    say: 'It waits again.',
  } as const
  return (
    <>
      <p className="mb-3">{why}.</p>
      <CommandForm
        method="POST"
        path={`/sales/${sale.id}/next/put-off`}
        schema={putOff}
        start={{ until: String(addDays(today, 7)) }}
        asBody={(d) => ({ ...d, action })}
        say={(_, d) => `Postponed to ${formatDay(day(d.until))}.`}
        undo={() => back}
        onDone={onClose}
        submit="Postpone"
      >
        <FormDay name="until" label="Until" today={today} />
      </CommandForm>
      <div className="mt-6 border-t border-paper-300 pt-4">
        <CommandForm
          method="POST"
          path={`/sales/${sale.id}/next/drop`}
          schema={drop}
          start={{ reason: '' }}
          asBody={(d) => ({ ...d, action })}
          say={() => 'Dismissed. It returns only if something new happens.'}
          undo={() => back}
          onDone={onClose}
          submit="Dismiss"
          quiet
        >
          <FormReason label="Or dismiss it, reason" most={200} />
        </CommandForm>
      </div>
    </>
  )
}
