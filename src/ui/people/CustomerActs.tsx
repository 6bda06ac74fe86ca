'use client'
import { useState } from 'react'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { moneyInHref } from '../money/moneyInHref'
import { Panel } from '../Panel'
import { LetterPanel } from '../post/LetterPanel'

const JoinCustomer = lazily(() => import('./JoinCustomer').then((m) => m.JoinCustomer))
const Remind = lazily(() => import('../owed/Remind').then((m) => m.Remind))

interface Props {
  readonly id: number
  readonly name: string
  /** Whoever comes in and pays at once: nobody to write to or to change. */
  readonly walkIn: boolean
  /** Something of theirs is past its date. */
  readonly late: boolean
}

type CustomerAct = 'sell' | 'take' | 'remind' | 'edit' | 'statement' | 'email' | 'join'

/** What can be done with a customer: sold to, paid by, written to, changed. */
export const CustomerActs = ({ id, name, walkIn, late }: Props) => {
  const [open, setOpen] = useState<CustomerAct | null>(null)
  const close = () => setOpen(null)
  const acts: readonly Act<CustomerAct>[] = [
    { id: 'sell', label: 'New sale', key: 'n', group: 'Money', href: `/sales/new?customer=${id}` },
    { id: 'take', label: 'Take payment', key: 't', group: 'Money', href: moneyInHref(id) },
    ...(late ? [{ id: 'remind' as const, label: 'Send reminder', key: 'r', group: 'Money' }] : []),
    {
      id: 'statement',
      label: 'Statement (PDF)',
      key: 'p',
      group: 'Documents',
      href: `/api/v1/export/statements/${id}.pdf`,
      file: true,
    },
    { id: 'email', label: 'Email statement', key: 'm', group: 'Documents' },
    ...(walkIn
      ? []
      : [
          { id: 'edit' as const, label: 'Edit', key: 'e', group: 'This customer', href: `/people/${id}/edit` },
          {
            id: 'join' as const,
            label: 'Merge',
            key: 'g',
            group: 'This customer',
            hint: 'Two records of one customer',
          },
        ]),
  ]
  return (
    <>
      <Acts
        acts={acts}
        first="sell"
        near={late ? ['remind', 'take'] : ['take', 'edit']}
        groups={['Money', 'Documents', 'This customer']}
        onAct={setOpen}
        away={open !== null}
      />
      <LetterPanel paper="statement" paperId={id} open={open === 'email'} onClose={close} />
      <Panel open={open === 'remind'} onClose={close} title="Send reminder">
        <Remind customerId={id} onDone={close} />
      </Panel>
      <Panel open={open === 'join'} onClose={close} title="Merge duplicate customers">
        <JoinCustomer {...{ id, name }} onDone={close} />
      </Panel>
    </>
  )
}
