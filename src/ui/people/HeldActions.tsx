'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly customerId: number
  readonly name: string
  readonly currency: string
  readonly today: Day
  readonly owes: boolean
  readonly held: readonly { readonly saleId: number | null; readonly amount: string }[]
}

const GiveBack = lazily(() => import('./GiveBack').then((m) => m.GiveBack))

/** Held money: put on what they owe, or given back. */
export const HeldActions = ({ customerId, name, currency, today, owes, held }: Props) => {
  const [from, setFrom] = useState<Props['held'][number] | null>(null)
  const { send, busy, refused } = useSend()
  const account = held.find((h) => h.saleId === null)
  return (
    <div className="mt-3 flex flex-wrap gap-2">
      {account && owes && (
        <button
          className="btn"
          disabled={busy}
          onClick={() =>
            void send(
              'POST',
              '/held-uses',
              { customerId },
              { say: (u) => `${formatDigits(u.used)} applied to the balance of ${name}.` },
            )
          }
        >
          Apply to balance due
        </button>
      )}
      {held.map((h) => (
        <button key={h.saleId ?? 0} className="btn" onClick={() => setFrom(h)}>
          Refund
          {held.length > 1 && ` ${formatDigits(h.amount)} ${h.saleId === null ? 'from account' : 'deposit'}`}
        </button>
      ))}
      {!from && <Refusal refused={refused} />}
      <Panel open={from !== null} onClose={() => setFrom(null)} title="Refund held money">
        {from && <GiveBack {...{ customerId, name, currency, today, from }} onDone={() => setFrom(null)} />}
      </Panel>
    </div>
  )
}
