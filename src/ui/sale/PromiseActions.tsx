'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { Doing } from './actions'
import type { SheetSale } from './panels/parts'
import { DoPanel } from './SaleActions'

interface Props {
  readonly sale: SheetSale
  readonly today: Day
  readonly version: string
}

/** What can be done about what is promised on a sale now. */
export const doingsFor = ({ promise, held, stands }: SheetSale): readonly { doing: Doing; label: string }[] => [
  ...(promise.plans.length > 0
    ? ([
        { doing: 'pay-off', label: 'Pay off early' },
        { doing: 'reschedule', label: 'Arrange the rest anew' },
        { doing: 'card', label: 'Collect by card' },
      ] as const)
    : []),
  ...(promise.layaway && stands === 'agreed' ? ([{ doing: 'give-up', label: 'Give it up' }] as const) : []),
  ...(Number(held) > 0 || (Number(promise.onAccount) > 0 && (stands === 'agreed' || stands === 'offered'))
    ? ([{ doing: 'held', label: 'Held money' }] as const)
    : []),
  ...(promise.dues.length > 0
    ? ([
        { doing: 'promise', label: 'They promised to pay' },
        ...(promise.dues.some((d) => d.late) ? ([{ doing: 'charge-late', label: 'Late charge' }] as const) : []),
        { doing: 'write-off', label: 'Write off' },
      ] as const)
    : []),
]

/** What can be done about what is promised; each opens its panel. */
export const PromiseActions = ({ sale, today, version }: Props) => {
  const [doing, setDoing] = useState<Doing | null>(null)
  const doings = doingsFor(sale)
  return doings.length === 0 ? null : (
    <p className="no-print mt-3 flex flex-wrap gap-2">
      {doings.map((d) => (
        <button key={d.doing} className="btn" onClick={() => setDoing(d.doing)}>
          {d.label}
        </button>
      ))}
      {doing && (
        <DoPanel key={`${doing}:${version}`} doing={doing} sale={sale} today={today} onClose={() => setDoing(null)} />
      )}
    </p>
  )
}
