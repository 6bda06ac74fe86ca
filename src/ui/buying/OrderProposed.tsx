'use client'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

/** Orders all that is proposed: one draft for each supplier, to be looked at before it is sent. */
export const OrderProposed = () => {
  const { send, busy, refused } = useSend()
  const go = () =>
    send(
      'POST',
      '/buying/proposals',
      {},
      {
        say: ({ orders }) => `${orders.map((o) => `${o.supplier}: draft ${o.number}`).join('; ')}.`,
        go: () => '/buying?status=draft',
      },
    )
  return (
    <>
      <button className="btn btn-do" data-primary disabled={busy} onClick={() => void go()}>
        Write the orders
      </button>
      <Refusal refused={refused} />
    </>
  )
}
