'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Refusal } from '../Refusal'
import { call, useSend } from '../send'

/** Orders all that is proposed: one draft for each supplier, to be looked at before it is sent. */
export const OrderProposed = () => {
  const router = useRouter()
  const { send, refused } = useSend()
  const [busy, setBusy] = useState(false)
  const go = async () => {
    setBusy(true)
    const read = await call('GET', '/buying/proposals')
    const rows = read.ok ? read.value.rows : []
    const suppliers = [...new Set(rows.flatMap((r) => r.supplierId ?? []))]
    for (const supplierId of suppliers) {
      const lines = rows
        .filter((r) => r.supplierId === supplierId)
        .map((r) => ({ goodsId: r.goodsId, quantity: r.quantity }))
      await send(
        'POST',
        '/purchase-orders',
        { supplierId, lines },
        { say: (o) => `Draft ${o.number} to ${o.supplier}.` },
      )
    }
    setBusy(false)
    router.push('/buying?status=draft')
  }
  return (
    <>
      <button className="btn btn-do" data-primary disabled={busy} onClick={() => void go()}>
        Write the orders
      </button>
      <Refusal refused={refused} />
    </>
  )
}
