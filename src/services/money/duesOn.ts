import { isPositiveMoney, money, type Money, negateMoney } from '@/core/money'
import { firstDayFor, lowestFrom, type Change } from '@/core/running'
import type { Day } from '@/core/day'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import type { DueRow } from '@/data/queries/due'
import { listFillsOfDues, type FillRow } from '@/data/queries/fill'

/** What changed the open part of a due: the due itself, and what was put on it. */
export const openChanges = (due: DueRow, fills: readonly FillRow[]): Change[] => [
  { on: due.issuedOn, by: due.amount.minor },
  ...fills.filter((f) => f.dueId === due.id).map((f) => ({ on: f.on, by: negateMoney(f.amount).minor })),
]

export interface DuesOn {
  /** Each with what may be put on it on the day as its `open`, so that no later day is overfilled; none issued later. */
  readonly dues: readonly DueRow[]
  /** Refuses an amount on a due that is open now, but was not on that day. Otherwise does nothing. */
  readonly refuseEarly: (dueId: number, amount: Money) => void
}

/** What may be put on dues on a day. Nothing is dated after today, so today what is open counts. */
export const duesOn = async (w: Work, dues: readonly DueRow[], on: Day): Promise<DuesOn> => {
  if (on >= w.today) return { dues: dues.filter((d) => d.issuedOn <= on), refuseEarly: () => {} }
  const fills = await listFillsOfDues(
    w.tx,
    dues.map((d) => d.id),
    w.currency,
  )
  return {
    dues: dues
      .filter((d) => d.issuedOn <= on)
      .map((d) => ({ ...d, open: money(lowestFrom(openChanges(d, fills), on), w.currency) }))
      .filter((d) => isPositiveMoney(d.open)),
    refuseEarly: (dueId, amount) => {
      const due = dues.find((d) => d.id === dueId)
      if (!due || amount.minor > due.open.minor || due.issuedOn > on) return
      const from = firstDayFor([openChanges(due, fills)], amount.minor, on)
      if (from !== null && from > on)
        refuse({
          code: 'not-before',
          from,
          what: 'On that day less of it was open: it was paid then, and opened again later.',
        })
    },
  }
}
