'use client'
import { useSendAlone } from '../send'

/** Fixes a statement whose lines are all settled and whose balance agrees. */
export const FinishStatement = ({ id }: { readonly id: number }) => {
  const { send, busy } = useSendAlone()
  return (
    <button
      className="btn btn-do"
      data-primary
      disabled={busy}
      onClick={() => void send('POST', `/bank/statements/${id}/finish`, {}, { say: () => 'Done. It stays as it is.' })}
    >
      Finish
    </button>
  )
}
