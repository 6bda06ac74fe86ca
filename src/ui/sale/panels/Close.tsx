'use client'
import { Select } from '../../Select'
import { useState } from 'react'
import { MoneyField, Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps } from './parts'

const REST = {
  transfer: 'back by transfer',
  cash: 'back in cash',
  card: 'back to the card',
  cheque: 'back by cheque',
  account: 'onto their account',
} as const

/** They said no, or it is called off. */
export const Close = ({ as, sale, onClose }: PanelProps & { readonly as: 'decline' | 'cancel' }) => {
  const { send, busy, refused } = useSend()
  const [reason, setReason] = useState('')
  const holds = Number(sale.held) > 0
  const [fee, setFee] = useState('')
  const [rest, setRest] = useState<keyof typeof REST>('transfer')
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/${as}`,
      { reason, ...(holds ? { fee: fee || '0', rest } : {}) },
      { say: () => `Sale ${sale.number} is ${as === 'decline' ? 'declined' : 'cancelled'}.` },
    )
    if (done) onClose()
  }
  return (
    <>
      <Text
        label="Why"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
        problem={messageFor(refused, 'reason')}
        hint="it helps to know later what sales were lost to"
      />
      {holds && (
        <div className="mt-4 grid grid-cols-2 gap-3 border-l-4 border-brass-600 bg-brass-100 px-3 py-2.5">
          <p className="col-span-2">{sale.held} is held for this sale. What happens to it?</p>
          <MoneyField
            label="Kept as a fee"
            currency={sale.currency}
            value={fee}
            onValue={setFee}
            problem={messageFor(refused, 'fee')}
          />
          <Select label="The rest" value={rest} options={REST} onValue={setRest} />
        </div>
      )}
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <Submit busy={busy} onDo={() => void go()}>
        {as === 'decline' ? 'They declined' : 'Cancel the sale'}
      </Submit>
    </>
  )
}
