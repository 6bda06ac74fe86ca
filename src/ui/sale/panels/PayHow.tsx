'use client'
import { useState } from 'react'
import { QuantityField } from '../../fields'
import { Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { Submit, type PanelProps } from './parts'

/** How they pay from now on. */
export const PayHow = ({ sale, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [kind, setKind] = useState<'now' | 'terms' | 'deposit'>('now')
  const [net, setNet] = useState('30')
  const [percent, setPercent] = useState('50')
  const go = async () => {
    const arrangement =
      kind === 'now' ? { kind } : kind === 'terms' ? { kind, net: Number(net) || 0 } : { kind, percent }
    const done = await send('POST', `/sales/${sale.id}/arrangement`, arrangement, {
      say: () => 'Noted. The next invoice follows it.',
    })
    if (done) onClose()
  }
  return (
    <>
      <fieldset className="grid gap-2">
        <legend className="label">From now on they pay</legend>
        <label className="flex gap-2">
          <input type="radio" name="kind" checked={kind === 'now'} onChange={() => setKind('now')} /> at once,
          when billed
        </label>
        <label className="flex gap-2">
          <input type="radio" name="kind" checked={kind === 'terms'} onChange={() => setKind('terms')} /> on
          terms
        </label>
        {kind === 'terms' && <QuantityField label="Days after the invoice" value={net} onValue={setNet} />}
        <label className="flex gap-2">
          <input type="radio" name="kind" checked={kind === 'deposit'} onChange={() => setKind('deposit')} />{' '}
          a deposit first
        </label>
        {kind === 'deposit' && (
          <QuantityField label="Percent of the total with tax" value={percent} onValue={setPercent} />
        )}
      </fieldset>
      <Refusal refused={refused} />
      <Submit busy={busy} onDo={() => void go()}>
        Arrange it so
      </Submit>
    </>
  )
}
