'use client'
import { To } from '@/ui/To'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { Doing, SheetLine } from './actions'
import { DoPanel } from './panels/DoPanel'
import type { SheetSale } from './panels/parts'

interface Props {
  readonly sale: SheetSale
  /** Changes whenever something happened to the sale: an open panel then begins anew with the new figures. */
  readonly version: string
  readonly today: Day
  readonly start?: Doing
  /** What the program suggests first; its button is the page's primary one. */
  readonly suggested: Doing | 'money' | null
}

interface Act {
  readonly doing: Doing
  readonly label: string
}

const actsFor = (s: SheetSale): readonly Act[] => {
  const left = (pick: (l: SheetLine) => string) => s.lines.some((l) => Number(pick(l)) > 0)
  const putOff: Act[] = s.step ? [{ doing: 'put-off', label: 'Not now' }] : []
  if (s.stands === 'declined' || s.stands === 'cancelled') return putOff
  if (!s.agreed) {
    return s.lines.length === 0
      ? []
      : [
          { doing: 'agree', label: 'Customer accepted' },
          {
            doing: 'offer',
            label: s.stands === 'draft' ? 'Send estimate' : s.stands === 'lapsed' ? 'Renew estimate' : 'Send again',
          },
          { doing: 'pay-how', label: 'Payment terms' },
          { doing: 'decline', label: 'Mark as declined' },
          ...putOff,
        ]
  }
  return [
    ...(left((l) => l.toHandOver) ? [{ doing: 'hand-over' as const, label: 'Hand over' }] : []),
    ...(left((l) => l.toBill) && !s.promise.layaway ? [{ doing: 'bill' as const, label: 'Invoice' }] : []),
    ...(left((l) => l.toBill) && !s.promise.layaway
      ? [{ doing: 'ask-deposit' as const, label: 'Ask for a deposit' }]
      : []),
    ...(s.stands === 'agreed'
      ? [
          { doing: 'pay-how' as const, label: 'Payment terms' },
          { doing: 'cancel' as const, label: 'Cancel the sale' },
        ]
      : []),
    ...putOff,
  ]
}

/** Done from the promise section; here too when it is what is next. */
const EXTRA: readonly Act[] = [
  { doing: 'held', label: 'Held money' },
  { doing: 'charge-late', label: 'Late fee' },
]

/** Everything that can be done with a sale now; each opens its panel, filled in. */
export const SaleActions = ({ sale, version, today, start, suggested }: Props) => {
  const router = useRouter()
  const [doing, setDoing] = useState<Doing | null>(start ?? null)
  const acts = [...EXTRA.filter((e) => e.doing === suggested), ...actsFor(sale)]
  const close = () => {
    setDoing(null)
    // A panel opened by its address does not open again when the page is read anew.
    if (start) router.replace(location.pathname, { scroll: false })
  }
  const primary = acts.find((a) => a.doing === suggested)?.doing ?? (suggested === 'money' ? null : acts[0]?.doing)
  return (
    <div className="flex flex-wrap gap-2">
      {suggested === 'money' && (
        <To className="btn btn-do" data-primary href={`/money-in?customer=${sale.customerId}&sale=${sale.id}`}>
          Take payment
        </To>
      )}
      {acts.map((a) => (
        <button
          key={a.doing}
          className={`btn ${a.doing === primary ? 'btn-do' : ''}`}
          data-primary={a.doing === primary && !doing ? true : undefined}
          onClick={() => setDoing(a.doing)}
        >
          {a.label}
        </button>
      ))}
      {suggested !== 'money' && sale.agreed && Number(sale.open) > 0 && (
        <To className="btn" href={`/money-in?customer=${sale.customerId}&sale=${sale.id}`}>
          Take payment
        </To>
      )}
      {doing && <DoPanel key={`${doing}:${version}`} doing={doing} sale={sale} today={today} onClose={close} />}
    </div>
  )
}
