import type { Day } from '@/core/day'
import { findCustomer } from '@/data/queries/customers'
import { sumOpenByDay } from '@/data/queries/due'
import { listOpenAsOf } from '@/data/queries/receivables'
import type { Where } from '../where'

export type OpenItem = Awaited<ReturnType<typeof listOpenAsOf>>[number]

/** What one customer had open on a day; null where there is no such customer. */
export const readOpenAsOf = async ({ db, currency }: Where, customerId: number, asOf: Day) => {
  const [customer, dues] = await Promise.all([
    findCustomer(db, customerId, currency),
    listOpenAsOf(db, customerId, asOf, currency),
  ])
  return customer && { customer, dues }
}

/** What is open, by the day it is due. */
export const readOpenByDay = ({ db, currency }: Where) => sumOpenByDay(db, currency)
