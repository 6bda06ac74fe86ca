'use client'
import { useState } from 'react'
import { Text } from '../../fields'
import { Refusal } from '../../Refusal'
import { useSend } from '../../send'
import { MainButton } from '../../MainButton'
import type { PanelProps } from './parts'

/** A link to the customer's own page of this sale: to give away by hand, or to withdraw. */
export const GiveLink = ({ sale }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [address, setAddress] = useState('')
  const make = async () => {
    const made = await send('POST', `/sales/${sale.id}/links`, {})
    if (!made) return
    setAddress(made.address)
    await navigator.clipboard?.writeText(made.address).catch(() => undefined)
  }
  return (
    <>
      <p className="mb-3">
        Anyone with this link can see this sale and {sale.customer}’s documents, answer the estimate and pay. It is
        shown only once; emails include their own link.
      </p>
      {address ? (
        <Text label="Link (copied)" readOnly value={address} onFocus={(e) => e.target.select()} />
      ) : (
        <MainButton busy={busy} onDo={() => void make()}>
          Create link
        </MainButton>
      )}
      <button
        className="btn mt-4"
        disabled={busy}
        onClick={() =>
          void send(
            'DELETE',
            `/sales/${sale.id}/links`,
            {},
            {
              say: (w) => `${w.withdrawn} ${w.withdrawn === 1 ? 'link' : 'links'} turned off.`,
            },
          )
        }
      >
        Turn off all links for this sale
      </button>
      <Refusal refused={refused} />
    </>
  )
}
