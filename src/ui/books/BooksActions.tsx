'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { To } from '../To'
import type { Account } from './OwnEntry'

const ClosePeriod = lazily(() => import('./ClosePeriod').then((m) => m.ClosePeriod))
const OwnEntry = lazily(() => import('./OwnEntry').then((m) => m.OwnEntry))
const ReopenPeriod = lazily(() => import('./ReopenPeriod').then((m) => m.ReopenPeriod))

interface Props {
  readonly today: Day
  readonly currency: string
  readonly accounts: readonly Account[]
  /** Whether anything is closed. */
  readonly closed: boolean
  /** What is open from the beginning. */
  readonly start?: 'entry'
}

/** An entry of one's own, and closing a period. */
export const BooksActions = ({ today, currency, accounts, closed, start }: Props) => {
  const [open, setOpen] = useState<'entry' | 'close' | 'reopen' | null>(start ?? null)
  return (
    <>
      <button className="btn" onClick={() => setOpen('close')}>
        Close a period
      </button>
      {closed && (
        <button className="btn" onClick={() => setOpen('reopen')}>
          Reopen a period
        </button>
      )}
      <button className="btn btn-do" data-primary={open ? undefined : true} onClick={() => setOpen('entry')}>
        New journal entry
      </button>
      <Panel open={open === 'entry'} onClose={() => setOpen(null)} title="New journal entry">
        <p className="sub mb-3">
          Figures from before your first day have a page of their own:{' '}
          <To className="underline" href="/books/opening">
            Opening balances
          </To>
          .
        </p>
        <OwnEntry today={today} currency={currency} accounts={accounts} onDone={() => setOpen(null)} />
      </Panel>
      <Panel open={open === 'close'} onClose={() => setOpen(null)} title="Close a period">
        <ClosePeriod today={today} onDone={() => setOpen(null)} />
      </Panel>
      <Panel open={open === 'reopen'} onClose={() => setOpen(null)} title="Reopen a period">
        <ReopenPeriod today={today} onDone={() => setOpen(null)} />
      </Panel>
    </>
  )
}
