// Long, because it is all the queries of one aggregate: the sale with its lines, versions and handovers.
import { present } from '@/core/present'
import { and, asc, eq, sql, type SQL, type SQLWrapper } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { TaxRoundedPer } from '@/core/kinds'
import { money, type Decimal, type Money } from '@/core/money'
import { builtForId, builtForIds, builtOnce, insertOne } from '../builtOnce'
import type { Database, Db } from '../connect'
import { customer, sale } from '../schema'
import { transact } from '../transact'
import { inOrder, type Part } from './inOrder'
import { customersNamed, holdsWords, isOneOf, withWords, type Place, type Searched } from './search'

export interface SaleRow {
  readonly id: number
  readonly number: number
  readonly customerId: number
  readonly customerName: string
  readonly title: string
  readonly startedOn: Day
  readonly channel: 'counter' | 'phone' | 'shopfront'
  readonly kind: string
  readonly note: string
  readonly noteAbove: string
  readonly discountPercent: Decimal
  readonly discountAmount: Money
  readonly rolledUp: boolean
  readonly billTo: string
  readonly deliverTo: string
  readonly deliverNote: string
  readonly yesBy: string
  readonly yesHow: string
  readonly copiedFromId: number | null
  readonly arrangement: unknown
  readonly pricesIncludeTax: boolean
  readonly taxRoundedPer: TaxRoundedPer
  readonly rateShift: Money
  readonly sentOn: Day | null
  readonly validUntil: Day | null
  readonly reworked: boolean
  readonly agreedOn: Day | null
  readonly purchaseOrder: string
  readonly wantedBy: Day | null
  readonly closedAs: 'declined' | 'cancelled' | null
  readonly closedOn: Day | null
  readonly closedReason: string
  readonly stage: string
  readonly total: Money
  readonly billed: Money
}

const mapSale = (row: { sale: typeof sale.$inferSelect; customerName: string }, currency: string): SaleRow => ({
  ...row.sale,
  customerName: row.customerName,
  discountAmount: money(row.sale.discountAmount, currency),
  rateShift: money(row.sale.rateShift, currency),
  total: money(row.sale.total, currency),
  billed: money(row.sale.billed, currency),
})

const sales = (db: Db) =>
  db.select({ sale, customerName: customer.name }).from(sale).innerJoin(customer, eq(customer.id, sale.customerId))
const salesByIds = builtForIds((db, ids) => sales(db).where(isOneOf(sale.id, ids)))
const lockById = builtForId((db, id) => sales(db).where(eq(sale.id, id)).for('update', { of: sale }))

/** Sales by id, in no order. */
export const findSales = async (db: Db, ids: readonly number[], currency: string): Promise<SaleRow[]> =>
  (await salesByIds(db, ids)).map((r) => mapSale(r, currency))

/** Locks a sale for the rest of the transaction: two commands on one sale come one after the other. */
export const lockSale = async (db: Db, id: number, currency: string): Promise<SaleRow | null> => {
  const [row] = await lockById(db, id)
  return row ? mapSale(row, currency) : null
}

export interface SaleFilter extends Searched {
  readonly stands?: string
  readonly customerId?: number
  readonly kind?: string
  readonly channel?: 'counter' | 'phone' | 'shopfront'
}

/** A stored stage is a `stands` except that an offer may have lapsed by the day asked about. */
const standsIs = (stands: string, today: Day): SQL =>
  stands === 'offered'
    ? sql`${sale.stage} = 'offered' and ${sale.validUntil} >= ${today}`
    : stands === 'lapsed'
      ? sql`${sale.stage} = 'offered' and ${sale.validUntil} < ${today}`
      : stands === 'working'
        ? sql`${sale.stage} in ('draft', 'offered', 'agreed', 'owing')`
        : sql`${sale.stage} = ${stands}`

const OPEN_OF = (today: Day) =>
  sql`(select sale_id, sum(amount - filled) as open, sum(amount - filled) filter (where due_on < ${today}) as late from due where filled < amount group by sale_id) o`
const HELD_OF = sql`(select sale_id, sum(amount) as held from held where sale_id is not null group by sale_id) h`
const BY_MONEY: readonly string[] = ['open', 'late', 'held', 'received']

const ORDERS: Readonly<Record<string, SQLWrapper>> = {
  number: sale.number,
  customer: sql`(select plain_text(name) from customer where customer.id = ${sale.customerId})`,
  title: sql`nullif(plain_text(${sale.title}), '')`,
  stands: sql`array_position(array['draft', 'offered', 'agreed', 'owing', 'settled', 'declined', 'cancelled'], ${sale.stage})`,
  startedOn: sale.startedOn,
  agreedOn: sale.agreedOn,
  total: sale.total,
  billed: sale.billed,
  open: sql`o.open`,
  late: sql`o.late`,
  held: sql`h.held`,
  received: sql`${sale.billed} - coalesce(o.open, 0) + coalesce(h.held, 0)`,
}

const PLACES: readonly Place[] = [
  { column: sale.id, table: sql`sale`, texts: [sql`title`, sql`purchase_order`], number: sql`number::text` },
  customersNamed(sale.customerId),
]

/** Ids of sales that fit, the newest first where no order is asked for. */
export const listSaleIds = async (db: Db, filter: SaleFilter, part: Part, today: Day): Promise<number[]> => {
  const { words } = await withWords(db, filter, PLACES)
  const all = db.select({ id: sale.id }).from(sale).$dynamic()
  const from =
    part.order && BY_MONEY.includes(part.order.by)
      ? all.leftJoin(OPEN_OF(today), sql`o.sale_id = ${sale.id}`).leftJoin(HELD_OF, sql`h.sale_id = ${sale.id}`)
      : all
  const sorted = from
    .where(
      and(
        filter.customerId ? eq(sale.customerId, filter.customerId) : undefined,
        filter.stands ? standsIs(filter.stands, today) : undefined,
        filter.kind ? eq(sale.kind, filter.kind) : undefined,
        filter.channel ? eq(sale.channel, filter.channel) : undefined,
        holdsWords(words, {
          customerId: sale.customerId,
          columns: [sql`${sale.number}::text`, sale.title, sale.purchaseOrder],
        }),
        part.after ? sql`${sale.id} < ${part.after}` : undefined,
      ),
    )
    .orderBy(inOrder(ORDERS, part.order, sql`${sale.id} desc`))
    .offset(part.offset ?? 0)
  return (await (part.limit === undefined ? sorted : sorted.limit(part.limit))).map((r) => r.id)
}

const askedAhead = builtForId((db, customerId) =>
  db
    .select({ id: sale.id })
    .from(sale)
    .where(
      and(
        eq(sale.customerId, customerId),
        eq(sale.stage, 'agreed'),
        sql`(${sale.arrangement} ->> 'kind' in ('deposit', 'layaway') or exists (select from deposit_request r where r.sale_id = ${sale.id}))`,
      ),
    )
    .orderBy(asc(sale.id)),
)

/** A customer's agreed sales for which money may be asked ahead: by how they are paid, or by a request. The first sale first. */
export const listAskedAhead = async (db: Db, customerId: number): Promise<number[]> =>
  (await askedAhead(db, customerId)).map((r) => r.id)

/** How many sales stand where. */
export const countStands = async (db: Db, today: Day): Promise<Record<string, number>> => {
  const rows = await db.execute<{ stands: string; count: number }>(sql`
    select stage as stands, sum(count)::int as count from stage_count where stage <> 'offered' group by stage having sum(count) <> 0
    union all
    select case when valid_until < ${today} then 'lapsed' else 'offered' end, count(*)::int from sale where stage = 'offered' group by 1`)
  return Object.fromEntries(rows.map((r) => [r.stands, r.count]))
}

/**
 * Counts anew how many sales stand where, in place of all that was added up until now. One statement, one moment: what is committed after
 * it stays beside the new counts. With the pen held, or two servers at once would each leave the other's counts.
 */
export const countStagesAnew = (db: Database): Promise<unknown> =>
  transact(db, (tx) =>
    tx.execute(sql`
      with gone as (delete from stage_count)
      insert into stage_count (stage, count) select stage, count(*) from sale group by stage`),
  )

/** How many sales are agreed or owing: what the owner has in hand. */
export const countInHand = async (db: Db): Promise<number> => present((await inHand(db))[0]).count

const inHand = builtOnce((db) =>
  db
    .select({ count: sql<number>`count(*)::int` })
    .from(sale)
    .where(sql`${sale.stage} in ('agreed', 'owing')`),
)

export const insertSale = insertOne(sale)

export const updateSale = async (db: Db, id: number, change: Partial<typeof sale.$inferInsert>): Promise<void> => {
  await db.update(sale).set(change).where(eq(sale.id, id))
}

/** What a customer's agreed sales will come to when they are billed, and what they owe already, less what is held for them. */
export const sumCommitted = async (db: Db, customerId: number, currency: string): Promise<Money> => {
  const row = present(
    (
      await db.execute<{ minor: string }>(sql`
    select (coalesce((select sum(greatest(total - billed, 0)) from sale where customer_id = ${customerId} and stage = 'agreed'), 0)
          + coalesce((select sum(amount - filled) from due where customer_id = ${customerId} and filled < amount), 0)
          - coalesce((select sum(amount) from held where customer_id = ${customerId}), 0))::text as minor`)
    )[0],
  )
  return money(BigInt(row.minor), currency)
}

export interface SaleSums {
  /** Invoices less credit notes. */
  readonly billed: Money
  /** Credited and not to be billed again. */
  readonly creditedForGood: Money
  readonly open: Money
  /** Owed beyond what was billed: charges, less discounts, charges given back and debts written off. */
  readonly beyond: Money
  readonly held: Money
}

/** The money of one sale, summed over its papers. */
export const sumSale = async (db: Db, saleId: number, currency: string): Promise<SaleSums> => {
  const row = present(
    (
      await db.execute<Record<keyof SaleSums, string>>(sql`
    select (select coalesce(sum(case when kind = 'credit-note' then -gross else gross end), 0)
              from invoice where sale_id = ${saleId} and status = 'issued')::text as billed,
           (select coalesce(sum(l.net + l.tax), 0) from invoice i join invoice_line l on l.invoice_id = i.id
             where i.sale_id = ${saleId} and i.kind = 'credit-note' and i.status = 'issued' and not l.rebill)::text as "creditedForGood",
           (select coalesce(sum(amount - filled), 0) from due where sale_id = ${saleId})::text as open,
           ((select coalesce(sum(beyond), 0) from due where sale_id = ${saleId})
             - (select coalesce(sum(f.amount), 0) from due_fill f join due d on d.id = f.due_id
                 where d.sale_id = ${saleId} and f.kind in ('discount', 'given-back', 'write-off')))::text as beyond,
           (select coalesce(sum(amount), 0) from held where sale_id = ${saleId})::text as held`)
    )[0],
  )
  const amount = (text: string): Money => money(BigInt(text), currency)
  return {
    billed: amount(row.billed),
    creditedForGood: amount(row.creditedForGood),
    open: amount(row.open),
    beyond: amount(row.beyond),
    held: amount(row.held),
  }
}

/** Agreed layaways that are not handed over, given up or cancelled. */
export const listLayawayIds = async (db: Db, customerId?: number): Promise<number[]> =>
  (
    await db.execute<{ id: number }>(
      sql`select id from sale where stage = 'agreed' and arrangement ->> 'kind' = 'layaway' ${customerId === undefined ? sql`` : sql`and customer_id = ${customerId}`} order by id`,
    )
  ).map((r) => r.id)

/** Sales of a customer that money can be held for. */
export const listOpenSales = async (db: Db, customerId: number, limit: number) =>
  (
    await db.execute<{ id: number; number: number; title: string }>(
      sql`select id, number, title from sale where customer_id = ${customerId} and closed_as is null and stage in ('draft', 'offered', 'agreed') order by id desc limit ${limit}`,
    )
  ).map((r) => ({ id: r.id, number: r.number, title: r.title }))

/** Orders from the shopfront that nobody agreed to yet: those begun on a day, and those of one address among them. */
export const countShopOrders = async (
  db: Db,
  email: string,
  on: Day,
): Promise<{ readonly today: number; readonly fromAddress: number }> => {
  const row = present(
    (
      await db.execute<{ today: number; from_address: number }>(sql`
    select count(*)::int as today, (count(*) filter (where lower(b.email) = lower(${email}) and b.email <> ''))::int as from_address
      from sale s join basket b on b.sale_id = s.id where s.channel = 'shopfront' and s.started_on = ${on} and s.agreed_on is null and s.closed_as is null`)
    )[0],
  )
  return { today: row.today, fromAddress: row.from_address }
}
