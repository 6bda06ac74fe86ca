import { listAccountRefunds } from '@/data/queries/refund'
import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { editionIn } from '../edition'
import { isExempt } from './taxOf'
import { toDecimalString } from '@/core/money'
import { daysToPay } from '@/core/receivables'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import {
  findCustomer,
  listAddresses,
  listContacts,
  listCustomers,
  type CustomerFilter,
  type CustomerStanding,
} from '@/data/queries/customers'
import { findPriceLevel } from '@/data/queries/prices'
import { listPaidDues } from '@/data/queries/receivables'
import type { Part } from '@/data/queries/inOrder'
import { listFiles } from '@/data/queries/files'
import { listSaleIds, sumCommitted } from '@/data/queries/sales'
import { listOpenDues } from '@/data/queries/due'
import { listHeld } from '@/data/queries/held'
import { listReceipts } from '@/data/queries/receipt'
import { readGlances } from '@/model/sale/readGlances'

export type { CustomerStanding } from '@/data/queries/customers'

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
  part: Part<{ readonly name: string; readonly id: number }>,
  business: Business,
  today: Day,
) => listCustomers(db, filter, part, { today, currency: business.currency })

type Lists = readonly [Awaited<ReturnType<typeof listAddresses>>, Awaited<ReturnType<typeof listContacts>>]

/** What addresses and contacts of a customer say: they are changed as whole lists. */
export const editionOfCustomer = (...[addresses, contacts]: Lists): string =>
  editionIn([
    addresses.map((a) => [a.kind, a.text, a.isDefault, a.instructions, a.taxArea]),
    contacts.map((c) => [c.name, c.role, c.email, c.phone]),
  ])

export const readCustomerEdition = async (db: Db, id: number): Promise<string> =>
  editionOfCustomer(...(await Promise.all([listAddresses(db, id), listContacts(db, id)])))

/** A customer as the HTTP interface answers it. */
export const customerView = async (db: Db, id: number, business: Business, today: Day) => {
  const customer = await findCustomer(db, id, business.currency)
  if (!customer) return null
  const [[first], level, addresses, contacts] = await Promise.all([
    listCustomers(db, { id }, { limit: 1 }, { today, currency: business.currency }),
    findPriceLevel(db, customer.priceLevel),
    listAddresses(db, id),
    listContacts(db, id),
  ])
  const standing = present(first)
  return {
    ...viewOfStanding(standing),
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
    /** Whether their exemption holds today. */
    exempt: isExempt(customer, today),
    exemptNumber: customer.exemptNumber,
    exemptUntil: customer.exemptUntil,
    priceLevel: customer.priceLevel,
    priceLevelName: level?.name ?? '',
    pricesIncludeTax: level?.pricesIncludeTax ?? business.pricesIncludeTax,
    creditLimit: customer.creditLimit && toDecimalString(customer.creditLimit),
    language: customer.language,
    tags: customer.tags,
    joinedToId: customer.joinedToId,
    /** What they will owe altogether when what is agreed is billed, less what is held. */
    committed: toDecimalString(await sumCommitted(db, id, business.currency)),
    addresses,
    contacts,
    edition: editionOfCustomer(addresses, contacts),
  }
}

/** Everything a customer's page shows. */
export const readCustomer = async (db: Db, id: number, business: Business, today: Day) => {
  const { currency } = business
  const customer = await findCustomer(db, id, currency)
  if (!customer) return null
  const [level, [standing], addresses, dues, held, receipts, paid, saleIds, contacts, files, committed, refunds] =
    await Promise.all([
      findPriceLevel(db, customer.priceLevel),
      listCustomers(db, { id }, { limit: 1 }, { today, currency }),
      listAddresses(db, id),
      listOpenDues(db, id, currency),
      listHeld(db, { customerId: id }, currency),
      listReceipts(db, { customerId: id }, { limit: 8 }, currency),
      listPaidDues(db, id, 50, currency),
      listSaleIds(db, { customerId: id }, { limit: 12 }, today),
      listContacts(db, id),
      listFiles(db, 'customer', id),
      sumCommitted(db, id, currency),
      listAccountRefunds(db, id, currency),
    ])
  return {
    customer,
    priceLevelName: level?.name ?? '',
    standing: present(standing),
    addresses,
    dues,
    held,
    receipts,
    contacts,
    files,
    committed,
    refunds,
    days: daysToPay(paid),
    paid,
    sales: await readGlances(db, saleIds, business, today),
  }
}

export type CustomerPage = NonNullable<Awaited<ReturnType<typeof readCustomer>>>
