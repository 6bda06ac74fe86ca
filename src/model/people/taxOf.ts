import { type Customer, listAddresses } from '@/data/queries/customers'
import type { Day } from '@/core/day'
import { taxAreaAt } from '@/core/tax'
import type { Db } from '@/data/connect'
import { listTaxAreas } from '@/data/queries/prices'

/** Whether no tax is charged to a customer on a day: their exemption holds through its last day. */
export const isExempt = (customer: Pick<Customer, 'taxExempt' | 'exemptUntil'>, on: Day): boolean =>
  customer.taxExempt && (customer.exemptUntil === null || on <= customer.exemptUntil)

/** The tax code that what is taxed takes where it is delivered: by the address's tax area, if it has one. */
export const readAreaCode = async (db: Db, customerId: number): Promise<(deliverTo: string) => number | undefined> => {
  const addresses = await listAddresses(db, customerId)
  const areas = addresses.some((a) => a.taxArea !== '') ? await listTaxAreas(db) : []
  return (deliverTo) => areas.find((a) => a.code === taxAreaAt(addresses, deliverTo))?.taxCodeId
}
