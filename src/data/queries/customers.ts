import { present } from '@/core/present'
import { and, asc, eq, sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import { builtForId, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { address, contact, customer } from '../schema'
import { isCalled, type CalledSo } from './called'
import { cutTo, inOrder, type Part } from './inOrder'
import { matchesPeople } from './search'

export interface Terms {
  readonly net: number
  readonly discountPercent: string | null
  readonly discountDays: number | null
}

export interface Address {
  readonly id: number
  readonly kind: 'bill-to' | 'deliver-to'
  readonly text: string
  readonly isDefault: boolean
  readonly instructions: string
  readonly taxArea: string
}

export interface Contact {
  readonly id: number
  readonly name: string
  readonly role: string
  readonly email: string
  readonly phone: string
}

export interface Customer {
  readonly id: number
  readonly name: string
  readonly contact: string
  readonly email: string
  readonly phone: string
  readonly kind: string
  readonly note: string
  readonly terms: Terms
  readonly taxExempt: boolean
  readonly exemptNumber: string
  readonly exemptUntil: Day | null
  readonly priceLevel: string
  readonly creditLimit: Money | null
  readonly language: string
  readonly tags: readonly string[]
  readonly joinedToId: number | null
  readonly walkIn: boolean
  readonly since: Day
}

const mapCustomer = (row: typeof customer.$inferSelect, currency: string): Customer => ({
  id: row.id,
  name: row.name,
  contact: row.contact,
  email: row.email,
  phone: row.phone,
  kind: row.kind,
  note: row.note,
  terms: { net: row.netDays, discountPercent: row.discountPercent?.toString() ?? null, discountDays: row.discountDays },
  taxExempt: row.taxExempt,
  exemptNumber: row.exemptNumber,
  exemptUntil: row.exemptUntil,
  priceLevel: row.priceLevel,
  creditLimit: row.creditLimit === null ? null : money(row.creditLimit, currency),
  language: row.language,
  tags: row.tags,
  joinedToId: row.joinedToId,
  walkIn: row.walkIn,
  since: row.since,
})

const customerById = builtForId((db, id) => db.select().from(customer).where(eq(customer.id, id)))

export const findCustomer = async (db: Db, id: number, currency: string): Promise<Customer | null> => {
  const [row] = await customerById(db, id)
  return row ? mapCustomer(row, currency) : null
}

/** The customer with an e-mail address, the first one where several have it. */
export const findByEmail = async (db: Db, email: string): Promise<number | null> =>
  (
    await db
      .select({ id: customer.id })
      .from(customer)
      .where(sql`lower(${customer.email}) = lower(${email}) and ${customer.joinedToId} is null`)
      .orderBy(asc(customer.id))
      .limit(1)
  )[0]?.id ?? null

/** The customer that stands for everybody who gives no name at the counter. */
export const findWalkIn = async (db: Db): Promise<number> => {
  const row = present((await db.select({ id: customer.id }).from(customer).where(eq(customer.walkIn, true)))[0])
  return row.id
}

export const insertCustomer = insertOne(customer)

export const updateCustomer = async (
  db: Db,
  id: number,
  change: Partial<typeof customer.$inferInsert>,
): Promise<void> => {
  await db.update(customer).set(change).where(eq(customer.id, id))
}

export const listAddresses = async (db: Db, customerId: number): Promise<Address[]> =>
  db
    .select({
      id: address.id,
      kind: address.kind,
      text: address.text,
      isDefault: address.isDefault,
      instructions: address.instructions,
      taxArea: address.taxArea,
    })
    .from(address)
    .where(eq(address.customerId, customerId))
    .orderBy(asc(address.id))

export const replaceAddresses = async (
  db: Db,
  customerId: number,
  rows: readonly Omit<Address, 'id'>[],
): Promise<void> => {
  await db.delete(address).where(eq(address.customerId, customerId))
  if (rows.length > 0) await db.insert(address).values(rows.map((r) => ({ ...r, customerId })))
}

export const listContacts = (db: Db, customerId: number): Promise<Contact[]> =>
  db
    .select({
      id: contact.id,
      name: contact.name,
      role: contact.role,
      email: contact.email,
      phone: contact.phone,
    })
    .from(contact)
    .where(eq(contact.customerId, customerId))
    .orderBy(asc(contact.id))

export const replaceContacts = async (
  db: Db,
  customerId: number,
  rows: readonly Omit<Contact, 'id'>[],
): Promise<void> => {
  await db.delete(contact).where(eq(contact.customerId, customerId))
  if (rows.length > 0) await db.insert(contact).values(rows.map((r) => ({ ...r, customerId })))
}

/** A customer with where their money stands. */
export interface CustomerStanding {
  readonly id: number
  readonly name: string
  readonly contact: string
  readonly email: string
  readonly phone: string
  readonly kind: string
  readonly owed: Money
  readonly late: Money
  readonly held: Money
  readonly sales: number
}

export interface CustomerFilter {
  readonly search?: string
  readonly id?: number
  readonly owing?: boolean
  readonly tag?: string
  readonly called?: CalledSo
}

const ORDERS: Readonly<Record<string, SQL>> = {
  id: sql`customer.id`,
  name: sql`plain_text(customer.name)`,
  contact: sql`nullif(plain_text(customer.contact), '')`,
  reach: sql`nullif(customer.phone || customer.email, '')`,
  email: sql`nullif(plain_text(customer.email), '')`,
  phone: sql`nullif(customer.phone, '')`,
  kind: sql`nullif(plain_text(customer.kind), '')`,
  owed: sql`d.owed`,
  late: sql`d.late`,
  held: sql`h.held`,
  sales: sql`s.sales`,
}
/** What only a join with all they owe, hold or bought can order by. */
const BY_MONEY: readonly string[] = ['owed', 'late', 'held', 'sales']

type StandingSelect = Record<'name' | 'contact' | 'email' | 'phone' | 'kind' | 'owed' | 'late' | 'held', string> &
  Record<'id' | 'sales', number>

/** Customers by name where no order is asked for, with what they owe (late apart), what is held, and their sales. */
export const listCustomers = async (
  db: Db,
  filter: CustomerFilter,
  part: Part<{ readonly name: string; readonly id: number }>,
  scope: { readonly today: Day; readonly currency: string },
): Promise<CustomerStanding[]> => {
  const order = inOrder(ORDERS, part.order, sql`plain_text(customer.name), customer.id`)
  const sums =
    part.order && BY_MONEY.includes(part.order.by)
      ? sql`
        left join (select customer_id, sum(amount - filled) as owed, sum(amount - filled) filter (where due_on < ${scope.today}) as late
                     from due where filled < amount group by customer_id) d on d.customer_id = customer.id
        left join (select customer_id, sum(amount) as held from held group by customer_id) h on h.customer_id = customer.id
        left join (select customer_id, count(*) as sales from sale group by customer_id) s on s.customer_id = customer.id`
      : sql``
  const rows = await db.execute<StandingSelect>(sql`
    with picked as (
      select customer.id, name, contact, email, phone, kind, row_number() over (order by ${order}) as place from ${customer} ${sums}
       where ${and(
         ...whichCustomers(filter),
         part.after
           ? sql`(plain_text(${customer.name}), ${customer.id}) > (plain_text(${part.after.name}), ${part.after.id}::int)`
           : undefined,
       )}
       order by ${order} ${cutTo(part)}
    )
    select p.*, coalesce(d.owed, 0)::text as owed, coalesce(d.late, 0)::text as late, coalesce(h.held, 0)::text as held, s.sales
      from picked p
      left join lateral (select sum(amount - filled) as owed, sum(amount - filled) filter (where due_on < ${scope.today}) as late
                           from due where customer_id = p.id and filled < amount) d on true
      left join lateral (select sum(amount) as held from held where customer_id = p.id) h on true
      left join lateral (select count(*)::int as sales from sale where customer_id = p.id) s on true
     order by p.place`)
  return rows.map((r) => asStanding(r, scope.currency))
}

/** Which customers a filter means; without an id those of their own name alone. */
const whichCustomers = (filter: CustomerFilter): (SQL | undefined)[] => [
  filter.id ? eq(customer.id, filter.id) : sql`not ${customer.walkIn} and ${customer.joinedToId} is null`,
  filter.tag ? sql`${filter.tag} = any(${customer.tags})` : undefined,
  isCalled(customer.id, filter.called),
  filter.search
    ? matchesPeople(filter.search, {
        id: customer.id,
        columns: [customer.name, customer.contact, customer.email],
        phone: customer.phone,
        contacts: sql`contact`,
        of: sql`customer_id`,
      })
    : undefined,
  filter.owing
    ? sql`exists (select from due d where d.customer_id = ${customer.id} and d.filled < d.amount)`
    : undefined,
]

const asStanding = ({ id, name, contact, email, phone, kind, sales, ...sums }: StandingSelect, currency: string) => {
  const amount = (text: string): Money => money(BigInt(text), currency)
  const [owed, late, held] = [amount(sums.owed), amount(sums.late), amount(sums.held)]
  return { id, name, contact, email, phone, kind, owed, late, held, sales }
}

/** Who is called so, or has such an address of e-mail, whatever the case. */
export const listCustomersCalled = async (
  db: Db,
  called: readonly string[],
): Promise<readonly { readonly id: number; readonly name: string; readonly email: string }[]> => {
  const wanted = sql.param([...new Set(called.map((n) => n.trim().toLowerCase()))].filter((n) => n !== ''))
  return db.execute(sql`
    select id, name, email from customer
     where (lower(name) = any(${wanted}::text[]) or lower(email) = any(${wanted}::text[])) and joined_to_id is null and not walk_in
     order by id`)
}

/** Customers as an address book keeps them, by name. */
export const listCards = (db: Db) =>
  db.execute<{ name: string; contact: string; email: string; phone: string; address: string; note: string }>(sql`
    select c.name, c.contact, c.email, c.phone, c.note,
           coalesce((select a.text from address a where a.customer_id = c.id and a.kind = 'bill-to' order by a.is_default desc, a.id limit 1), '') as address
      from customer c where c.joined_to_id is null and not c.walk_in order by plain_text(c.name), c.id`)
