'use client'
import { useState } from 'react'
import { Text } from '../../fields'
import { messageFor, Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps } from './parts'

/** They said no, or it is called off. */
export const Close = ({ as, sale, onClose }: PanelProps & { readonly as: 'decline' | 'cancel' }) => {
  const { send, busy, refused } = useSend()
  const [reason, setReason] = useState('')
  const go = async () => {
    const done = await send(
      'POST',
      `/sales/${sale.id}/${as}`,
      { reason },
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
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <Submit busy={busy} onDo={() => void go()}>
        {as === 'decline' ? 'They declined' : 'Cancel the sale'}
      </Submit>
    </>
  )
}
