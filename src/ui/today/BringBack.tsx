'use client'
import { useSendAlone } from '../send'

interface Props {
  readonly saleId: number
  readonly action: string
  readonly name: string
}

/** Something postponed or dismissed waits again. */
export const BringBack = ({ saleId, action, name }: Props) => {
  const { send, busy } = useSendAlone()
  return (
    <button
      className="btn"
      disabled={busy}
      aria-label={`Bring back: ${name}`}
      onClick={() =>
        void send('POST', `/sales/${saleId}/next/bring-back`, { action }, { say: () => 'It waits again.' })
      }
    >
      Bring back
    </button>
  )
}
