import type { Day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { listClosings } from '@/data/queries/closings'
import { sumTax } from '@/data/queries/invoices'
import { listEntries } from '@/data/queries/ledger'
import type { Where } from '../where'

interface Span {
  readonly from: Day
  readonly to: Day
}

export const readAccounts = ({ db }: Where) => listAccounts(db)

export type Closing = Awaited<ReturnType<typeof listClosings>>[number]

/** What was closed and opened again, and why. */
export const readClosings = ({ db }: Where) => listClosings(db)

/** Entries of a span, the newest first, a part at a time. */
export const readJournal = (
  { db, currency }: Where,
  span: Span,
  part: Parameters<typeof listEntries>[2],
): ReturnType<typeof listEntries> => listEntries(db, span, part, currency)

/** Tax of a span by code and component. */
export const readTax = ({ db, currency }: Where, span: Span) => sumTax(db, span, currency)
