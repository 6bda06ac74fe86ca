import type { Day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { daysToPay } from '@/core/receivables'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import {
  findCustomer,
  listAddresses,
  listCustomers,
  type CustomerFilter,
  type CustomerStanding,
} from '@/data/queries/customers'
import { listHeld, listOpenDues, listReceipts } from '@/data/queries/money'
import { listPaidDues } from '@/data/queries/receivables'
import { listSaleIds } from '@/data/queries/sales'
import { readStories } from './stories'

export const viewOfStanding = (s: CustomerStanding) => ({
  id: s.id,
  name: s.name,
  contact: s.contact,
  email: s.email,
  phone: s.phone,
  kind: s.kind,
  owed: toDecimalString(s.owed),
  held: toDecimalString(s.held),
  late: toDecimalString(s.late),
})

export const readCustomers = (
  db: Db,
  filter: CustomerFilter,
  page: { limit: number; after?: { name: string; id: number } },
  business: Business,
  today: Day,
) => listCustomers(db, filter, page, { today, currency: business.currency })

/** A customer as the HTTP interface answers it. */
export const customerView = async (db: Db, id: number, business: Business, today: Day) => {
  const customer = await findCustomer(db, id, business.currency)
  if (!customer) return null
  const [standing] = await listCustomers(db, { id }, { limit: 1 }, { today, currency: business.currency })
  return {
    ...viewOfStanding(standing!),
    note: customer.note,
    terms: {
      net: customer.terms.net,
      ...(customer.terms.discountPercent
        ? {
            discountPercent: String(Number(customer.terms.discountPercent)),
            discountDays: customer.terms.discountDays,
          }
        : {}),
    },
    taxExempt: customer.taxExempt,
    exemptNumber: customer.exemptNumber,
    exemptUntil: customer.exemptUntil,
    priceLevel: customer.priceLevel,
    creditLimit: customer.creditLimit && toDecimalString(customer.creditLimit),
    addresses: await listAddresses(db, id),
  }
}

/** Everything a customer's page shows. */
export const readCustomer = async (db: Db, id: number, business: Business, today: Day) => {
  const { currency } = business
  const customer = await findCustomer(db, id, currency)
  if (!customer) return null
  const [[standing], addresses, dues, held, receipts, paid, saleIds] = await Promise.all([
    listCustomers(db, { id }, { limit: 1 }, { today, currency }),
    listAddresses(db, id),
    listOpenDues(db, id, currency),
    listHeld(db, { customerId: id }, currency),
    listReceipts(db, { customerId: id }, { limit: 8 }, currency),
    listPaidDues(db, id, 50, currency),
    listSaleIds(db, { customerId: id }, { limit: 12 }, today),
  ])
  return {
    customer,
    standing: standing!,
    addresses,
    dues,
    held,
    receipts,
    days: daysToPay(paid),
    sales: await readStories(db, saleIds, business, today),
  }
}
