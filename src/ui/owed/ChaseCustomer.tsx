'use client'
import { useState } from 'react'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { moneyInHref } from '../money/moneyInHref'
import { Panel } from '../Panel'

interface Props {
  readonly customerId: number
  readonly name: string
  readonly currency: string
  /** Which reminder is next; null where nothing is late. */
  readonly stage: number | null
  /** From when it may go; null: now. */
  readonly from: string | null
}

type ChaseAct = 'remind' | 'take' | 'open' | 'list' | 'small'
const STAGES = ['', 'first', 'second', 'last'] as const
const SmallRests = lazily(() => import('./SmallRests').then((m) => m.SmallRests))
const Remind = lazily(() => import('./Remind').then((m) => m.Remind))

/** What can be done about what a customer owes: reminded in the stage that is next, paid, given up where it is too small. */
export const ChaseCustomer = ({ customerId, name, currency, stage, from }: Props) => {
  const [open, setOpen] = useState<ChaseAct | null>(null)
  const close = () => setOpen(null)
  const named = stage === null ? '' : (STAGES[Math.min(stage, 3)] ?? 'last')
  const acts: readonly Act<ChaseAct>[] = [
    ...(stage !== null && from === null
      ? [{ id: 'remind' as const, label: `Send ${named} reminder`, key: 'r', group: 'Money' }]
      : []),
    { id: 'take', label: 'Take payment', key: 't', group: 'Money', href: moneyInHref(customerId) },
    { id: 'open', label: 'Open customer', key: 'o', group: 'This customer', href: `/people/${customerId}` },
    {
      id: 'list',
      label: 'Open invoices (PDF)',
      key: 'p',
      group: 'Documents',
      href: `/api/v1/export/papers/open-items/${customerId}.pdf`,
      file: true,
    },
    { id: 'small', label: 'Write off small balances', key: 'w', group: 'Money' },
  ]
  return (
    <div className="mt-3">
      <Acts
        acts={acts}
        first={null}
        near={['remind', 'take', 'open']}
        groups={['Money', 'Documents', 'This customer']}
        onAct={setOpen}
        away={open !== null}
      />
      {from && (
        <p className="sub mt-2">
          The {named} reminder can go from {from}.
        </p>
      )}
      <Panel open={open === 'remind'} onClose={close} title={`Send ${named} reminder`}>
        <Remind customerId={customerId} onDone={close} />
      </Panel>
      <Panel open={open === 'small'} onClose={close} title="Write off small balances">
        <SmallRests {...{ customerId, name, currency }} onDone={close} />
      </Panel>
    </div>
  )
}
