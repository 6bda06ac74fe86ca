'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { VoidPanel } from './VoidPanel'
import type { WaitingLine } from './CreditForm'
import type { Choosable } from './SpreadForm'

const PayForm = lazily(() => import('./PayForm').then((m) => m.PayForm))
const CreditForm = lazily(() => import('./CreditForm').then((m) => m.CreditForm))
const RepeatBillForm = lazily(() => import('./RepeatBillForm').then((m) => m.RepeatBillForm))
const SpreadForm = lazily(() => import('./SpreadForm').then((m) => m.SpreadForm))

interface Props {
  readonly bill: {
    readonly id: number
    readonly supplierId: number
    readonly supplier: string
    /** What paying it today takes. */
    readonly toPay: string
    readonly discount: { readonly through: Day; readonly amount: string } | null
    readonly isOpen: boolean
    readonly on: Day
    /** All of it is by account, and it does not come again yet. */
    readonly mayRepeat: boolean
  }
  /** Goods of it that went back and wait for a credit. */
  readonly waiting: readonly WaitingLine[]
  readonly costs: readonly Choosable[]
  readonly received: readonly Choosable[]
  readonly currency: string
  readonly today: Day
}

type BillAct = 'pay' | 'credit' | 'spread' | 'repeat' | 'void'

/** What can be done with a supplier's bill now. */
export const BillActs = ({ bill, waiting, costs, received, currency, today }: Props) => {
  const [open, setOpen] = useState<BillAct | null>(null)
  const close = () => setOpen(null)
  const acts: readonly Act<BillAct>[] = [
    ...(bill.isOpen ? [{ id: 'pay' as const, label: 'Pay', key: 'p', group: 'Bill' }] : []),
    { id: 'credit' as const, label: 'Enter credit', key: 'c', group: 'Bill' },
    ...(costs.length > 0 && received.length > 0
      ? [
          {
            id: 'spread' as const,
            label: 'Add to cost of goods',
            key: 'g',
            group: 'Bill',
            hint: 'Freight, duty or insurance over what came',
          },
        ]
      : []),
    ...(bill.mayRepeat
      ? [{ id: 'repeat' as const, label: 'Repeat', key: 'r', group: 'Bill', hint: 'Rent, power, a subscription' }]
      : []),
    { id: 'void' as const, label: 'Void', key: 'x', group: 'Bill', hint: 'It was entered wrong' },
  ]
  const shared = { today, onDone: close }
  return (
    <>
      <Acts
        acts={acts}
        first={waiting.length > 0 ? 'credit' : bill.isOpen ? 'pay' : null}
        near={['pay', 'spread', 'credit']}
        groups={['Bill']}
        onAct={setOpen}
        away={open !== null}
      />
      <Panel open={open === 'pay'} onClose={close} title={`Pay ${bill.supplier}`}>
        <PayForm
          supplierId={bill.supplierId}
          billId={bill.id}
          amount={bill.toPay}
          saves={bill.discount && bill.discount.through >= today ? bill.discount : null}
          currency={currency}
          {...shared}
        />
      </Panel>
      <Panel open={open === 'credit'} onClose={close} title="Enter credit">
        <CreditForm billId={bill.id} waiting={waiting} currency={currency} {...shared} />
      </Panel>
      <Panel open={open === 'spread'} onClose={close} title="Add to cost of goods">
        <SpreadForm costs={costs} received={received} currency={currency} {...shared} />
      </Panel>
      <Panel open={open === 'repeat'} onClose={close} title="Repeat the bill">
        <RepeatBillForm billId={bill.id} on={bill.on} {...shared} />
      </Panel>
      <VoidPanel kind="bill" id={bill.id} today={today} open={open === 'void'} onClose={close} />
    </>
  )
}
