'use client'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../../form/CommandForm'
import { FormMoney, FormPick, FormReason } from '../../form/inputs'
import type { PanelProps } from './parts'

const REST = {
  transfer: 'By transfer',
  cash: 'In cash',
  card: 'To the card',
  cheque: 'By check',
  account: 'Keep on account',
} as const

const START: { reason: string; fee: string; rest: keyof typeof REST } = { reason: '', fee: '', rest: 'transfer' }
const schema = () => import('@/contract/inputs/sales/closeSale').then((m) => m.closeSaleInput.omit({ saleId: true }))

/** They said no. */
export const Decline = (props: PanelProps) => <Close as="decline" {...props} />
/** It is called off. */
export const Cancel = (props: PanelProps) => <Close as="cancel" {...props} />

const Close = ({ as, sale, onClose }: PanelProps & { readonly as: 'decline' | 'cancel' }) => {
  const holds = Number(sale.held) > 0
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/${as}`}
      schema={schema}
      start={START}
      asBody={({ reason, fee, rest }) => ({ reason, ...(holds ? { fee: fee || '0', rest } : {}) })}
      say={() => `Sale ${sale.number} is ${as === 'decline' ? 'declined' : 'canceled'}.`}
      preview={{ currency: sale.currency }}
      onDone={onClose}
      submit={as === 'decline' ? 'Mark as declined' : 'Cancel the sale'}
    >
      <FormReason hint="Shown in the “reasons lost” report" />
      {holds && (
        <div className="notice mt-4 grid grid-cols-2 gap-3">
          <p className="col-span-2">{formatDigits(sale.held)} is held for this sale. What happens to it?</p>
          <FormMoney name="fee" label="Cancellation fee" currency={sale.currency} />
          <FormPick name="rest" label="Refund the rest" options={REST} />
        </div>
      )}
    </CommandForm>
  )
}
