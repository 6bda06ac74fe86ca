import { findCustomer } from '@/data/queries/customers'
import { listOpenDues } from '@/data/queries/due'
import type { Asked } from '../where'
import { readBillTo } from './billTo'

/** What a customer has open; null where there is no such customer. */
export const readDuesFacts = async ({ db, business }: Asked, customerId: number) => {
  const [customer, dues, billTo] = await Promise.all([
    findCustomer(db, customerId, business.currency),
    listOpenDues(db, customerId, business.currency),
    readBillTo(db, customerId),
  ])
  return customer && { customer, dues, billTo }
}

export type DuesFacts = NonNullable<Awaited<ReturnType<typeof readDuesFacts>>>
