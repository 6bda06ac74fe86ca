import type { Day } from '@/core/day'
import { listNotInvoiced } from '@/data/queries/notInvoiced'
import type { Where } from '../where'

export type { NotInvoiced } from '@/data/queries/notInvoiced'

/** What came and is not billed, and what is billed and not here, at the end of a day: together the balance of its account. */
export const readNotInvoiced = ({ db, currency }: Where, asOf: Day) => listNotInvoiced(db, asOf, currency)
