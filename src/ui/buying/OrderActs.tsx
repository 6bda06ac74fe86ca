'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { PurchaseStatus, Track } from '@/core/kinds'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

const ReceiveForm = lazily(() => import('./ReceiveForm').then((m) => m.ReceiveForm))
const SendOrder = lazily(() => import('./SendOrder').then((m) => m.SendOrder))
const ReasonForm = lazily(() => import('../ReasonForm').then((m) => m.ReasonForm))

interface Props {
  readonly id: number
  readonly number: string
  readonly status: PurchaseStatus
  /** Something on it was changed since it went out. */
  readonly changed: boolean
  readonly supplierId: number
  readonly canInvoice: boolean
  /** It goes straight to the customer; or could, since all of it is for sales. */
  readonly direct: boolean
  readonly canGoDirect: boolean
  /** What is still to come. */
  readonly lines: readonly {
    readonly id: number
    readonly description: string
    readonly toReceive: string
    readonly track: Track
    readonly codes: readonly string[]
  }[]
  readonly places: readonly { readonly id: number; readonly name: string }[]
  readonly today: Day
}

type OrderAct = 'mail' | 'send' | 'pdf' | 'receive' | 'invoice' | 'direct' | 'change' | 'again' | 'close'

const CLOSE = {
  title: 'Close the order',
  does: 'What did not come is not wanted any more.',
  done: 'The order is closed.',
  schema: () => import('@/contract/inputs/buying/orders').then((m) => m.closeOrderInput.omit({ orderId: true })),
}

/** What can be done with an order to a supplier now. */
export const OrderActs = (props: Props) => {
  const { id, number, status, changed, supplierId, canInvoice, direct, canGoDirect, lines, places, today } = props
  const [open, setOpen] = useState<'mail' | 'receive' | 'close' | null>(null)
  const { send, busy, refused } = useSend()
  const close = () => setOpen(null)
  const isOpen = status !== 'closed'
  const acts: readonly Act<OrderAct>[] = [
    ...(isOpen ? [{ id: 'mail' as const, label: 'Send by email', key: 'm', group: 'Order' }] : []),
    ...(status === 'draft' || changed
      ? [
          {
            id: 'send' as const,
            label: 'Mark as sent',
            key: 's',
            group: 'Order',
            hint: 'They have it otherwise: by phone, on their site',
          },
        ]
      : []),
    {
      id: 'pdf' as const,
      label: 'PDF',
      key: 'v',
      group: 'Order',
      href: `/api/v1/export/papers/purchase-order/${id}.pdf`,
      file: true,
    },
    ...(isOpen && lines.length > 0 ? [{ id: 'receive' as const, label: 'Receive', key: 'r', group: 'Order' }] : []),
    ...(canInvoice
      ? [
          {
            id: 'invoice' as const,
            label: 'Enter bill',
            key: 'i',
            group: 'Order',
            href: `/buying/bills/new?supplier=${supplierId}`,
          },
        ]
      : []),
    {
      id: 'again' as const,
      label: 'Order again',
      key: 'a',
      group: 'Order',
      href: `/buying/new?again=${id}`,
      hint: 'The same lines at what they cost now',
    },
    ...(isOpen && lines.length > 0 && (direct || canGoDirect)
      ? [
          {
            id: 'direct' as const,
            label: direct ? 'Ship to us' : 'Ship to customer',
            key: 'd',
            group: 'Order',
            hint: direct
              ? 'It comes to your stock first'
              : 'The supplier sends it straight to them; receiving it hands it over',
          },
        ]
      : []),
    ...(isOpen
      ? [
          {
            id: 'change' as const,
            label: 'Change order',
            key: 'e',
            group: 'Order',
            href: `/buying/orders/${id}/change`,
          },
          { id: 'close' as const, label: 'Close', key: 'x', group: 'Order', hint: 'The rest is not wanted any more' },
        ]
      : []),
  ]
  const first = acts.find(
    (a) => a.id === (status === 'draft' || changed ? 'mail' : lines.length > 0 ? 'receive' : 'invoice'),
  )
  const onAct = (act: OrderAct) => {
    if (act === 'send')
      void send(
        'POST',
        `/purchase-orders/${id}/send`,
        { mail: false },
        { say: (o) => `${o.number} is on order with ${o.supplier}.` },
      )
    if (act === 'direct')
      void send(
        'PATCH',
        `/purchase-orders/${id}`,
        { direct: !direct },
        { say: (o) => `${o.number} goes ${o.direct ? 'straight to the customer' : 'to you'}.` },
      )
    if (act === 'mail' || act === 'receive' || act === 'close') setOpen(act)
  }
  return (
    <>
      <Acts
        acts={acts}
        first={first?.id ?? null}
        near={['receive', 'invoice', 'change']}
        groups={['Order']}
        onAct={onAct}
        busy={busy}
        away={open !== null}
      />
      <Refusal refused={refused} />
      <Panel open={open === 'mail'} onClose={close} title={`Send ${number}`}>
        <SendOrder id={id} onDone={close} />
      </Panel>
      <Panel open={open === 'receive'} onClose={close} title={`Receive ${number}`}>
        <ReceiveForm orderId={id} direct={direct} lines={lines} places={places} today={today} onDone={close} />
      </Panel>
      <Panel open={open === 'close'} onClose={close} title={CLOSE.title}>
        <ReasonForm what={CLOSE} path={`/purchase-orders/${id}/close`} today={today} onDone={close} />
      </Panel>
    </>
  )
}
