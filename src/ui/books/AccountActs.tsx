'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { Panel } from '../Panel'
import { lazily } from '../lazily'

const ChangeAccount = lazily(() => import('./AccountForms').then((m) => m.ChangeAccount))
const MergeAccount = lazily(() => import('./AccountForms').then((m) => m.MergeAccount))

interface Props {
  readonly account: { readonly id: number; readonly name: string; readonly hidden: boolean }
  /** Accounts it can be merged into; none where documents or taxes need it. */
  readonly others: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly today: Day
}

/** What can be done with an account: another name, hidden, or merged into another one. */
export const AccountActs = ({ account, others, today }: Props) => {
  const [open, setOpen] = useState<'change' | 'merge' | null>(null)
  const close = () => setOpen(null)
  return (
    <>
      <button className="btn" onClick={() => setOpen('change')}>
        Change
      </button>
      {others.length > 0 && (
        <button className="btn" onClick={() => setOpen('merge')}>
          Merge
        </button>
      )}
      <Panel open={open === 'change'} onClose={close} title={`Change ${account.name}`}>
        <ChangeAccount account={account} onDone={close} />
      </Panel>
      <Panel open={open === 'merge'} onClose={close} title={`Merge ${account.name}`}>
        <MergeAccount account={account} others={others} today={today} onDone={close} />
      </Panel>
    </>
  )
}
