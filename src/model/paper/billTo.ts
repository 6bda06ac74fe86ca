import type { Db } from '@/data/connect'
import { listAddresses } from '@/data/queries/customers'

/** The address bills of a customer go to: the usual one, else the first. */
export const readBillTo = async (db: Db, customerId: number): Promise<string> => {
  const all = (await listAddresses(db, customerId)).filter((a) => a.kind === 'bill-to')
  return (all.find((a) => a.isDefault) ?? all[0])?.text ?? ''
}
