import type { Day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { listClosings } from '@/data/queries/closings'
import { sumTax } from '@/data/queries/invoices'
import type { Where } from '../where'

interface Span {
  readonly from: Day
  readonly to: Day
}

/** The accounts that are offered where one is chosen. */
export const readAccounts = async ({ db }: Where) => (await listAccounts(db)).filter((a) => !a.hidden)

export type Closing = Awaited<ReturnType<typeof listClosings>>[number]

/** What was closed and opened again, and why. */
export const readClosings = ({ db }: Where) => listClosings(db)

/** Tax of a span by code and component. */
export const readTax = ({ db, currency }: Where, span: Span) => sumTax(db, span, currency)
