import type { Day } from '@/core/day'
import type { ReceiptMethod } from '@/core/ledger'
import { type Money, money } from '@/core/money'
import { builtForId, builtForIds, insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { receipt, customer, receiptVoid, heldMove } from '../schema'
import { eq, and, sql, desc, asc, type SQLWrapper } from 'drizzle-orm'
import { present } from '@/core/present'
import { inOrder, type Part } from './inOrder'
import { sumReceived } from './paperMonths'
import { customersNamed, holdsWords, isOneOf, withWords, type Place, type Searched } from './search'

export interface ReceiptRow {
  readonly id: number
  readonly number: string
  readonly customerId: number
  readonly customerName: string
  readonly on: Day
  readonly method: ReceiptMethod
  readonly amount: Money
  readonly tendered: Money
  /** What coins made more (or less) of the amount. */
  readonly rounding: Money
  readonly reference: string
  /** The account it came into, where that is another than its method’s. */
  readonly accountId: number | null
  readonly invoiceId: number | null
  readonly entryId: number
  readonly voidedOn: Day | null
  readonly voidReason: string | null
  readonly voidKind: 'voided' | 'bounced' | null
}

const receipts = (db: Db) =>
  db
    .select({
      receipt,
      customerName: customer.name,
      voidedOn: receiptVoid.onDay,
      voidReason: receiptVoid.reason,
      voidKind: receiptVoid.kind,
    })
    .from(receipt)
    .innerJoin(customer, eq(customer.id, receipt.customerId))
    .leftJoin(receiptVoid, eq(receiptVoid.receiptId, receipt.id))

type ReceiptSelect = {
  receipt: typeof receipt.$inferSelect
  customerName: string
  voidedOn: Day | null
  voidReason: string | null
  voidKind: 'voided' | 'bounced' | null
}

const mapReceipt = (r: ReceiptSelect, currency: string): ReceiptRow => ({
  id: r.receipt.id,
  number: r.receipt.number,
  customerId: r.receipt.customerId,
  customerName: r.customerName,
  on: r.receipt.onDay,
  method: r.receipt.method,
  amount: money(r.receipt.amount, currency),
  tendered: money(r.receipt.tendered, currency),
  rounding: money(r.receipt.rounding, currency),
  reference: r.receipt.reference,
  accountId: r.receipt.accountId,
  invoiceId: r.receipt.invoiceId,
  entryId: r.receipt.entryId,
  voidedOn: r.voidedOn,
  voidReason: r.voidReason,
  voidKind: r.voidKind,
})

const receiptById = builtForId((db, id) => receipts(db).where(eq(receipt.id, id)))
export const findReceipt = async (db: Db, id: number, currency: string): Promise<ReceiptRow | null> => {
  const [row] = await receiptById(db, id)
  return row ? mapReceipt(row, currency) : null
}

/** Locks a receipt for the rest of the transaction. */
export const lockReceipt = async (db: Db, id: number): Promise<void> => {
  await db.select({ id: receipt.id }).from(receipt).where(eq(receipt.id, id)).for('update')
}

export interface ReceiptFilter extends Searched {
  readonly customerId?: number
  readonly on?: Day
  readonly from?: Day
  readonly to?: Day
  readonly method?: ReceiptMethod
  readonly amount?: Money
  readonly invoiceId?: number
}

const PLACES: readonly Place[] = [
  { column: receipt.id, table: sql`receipt`, texts: [sql`number`, sql`reference`] },
  customersNamed(receipt.customerId),
]
export const narrowReceipts = (db: Db, filter: ReceiptFilter): Promise<ReceiptFilter> => withWords(db, filter, PLACES)

const fits = (filter: ReceiptFilter) =>
  and(
    filter.customerId ? eq(receipt.customerId, filter.customerId) : undefined,
    filter.on ? eq(receipt.onDay, filter.on) : undefined,
    filter.from ? sql`${receipt.onDay} >= ${filter.from}` : undefined,
    filter.to ? sql`${receipt.onDay} <= ${filter.to}` : undefined,
    filter.method ? eq(receipt.method, filter.method) : undefined,
    filter.amount ? eq(receipt.amount, filter.amount.minor) : undefined,
    filter.invoiceId ? eq(receipt.invoiceId, filter.invoiceId) : undefined,
    holdsWords(filter.words, { customerId: receipt.customerId, columns: [receipt.number, receipt.reference] }),
  )

const ORDERS: Readonly<Record<string, SQLWrapper>> = {
  number: receipt.number,
  customer: sql`plain_text(${customer.name})`,
  on: receipt.onDay,
  method: receipt.method,
  reference: sql`nullif(plain_text(${receipt.reference}), '')`,
  amount: receipt.amount,
  voidedOn: receiptVoid.onDay,
}

/** Receipts that fit, the newest first where no order is asked for. */
export const listReceipts = async (
  db: Db,
  filter: ReceiptFilter,
  part: Part,
  currency: string,
): Promise<ReceiptRow[]> => {
  const narrowed = await narrowReceipts(db, filter)
  const all = receipts(db)
    .where(and(fits(narrowed), part.after ? sql`${receipt.id} < ${part.after}` : undefined))
    .orderBy(inOrder(ORDERS, part.order, sql`${receipt.id} desc`))
    .offset(part.offset ?? 0)
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map((r) => mapReceipt(r, currency))
}

/**
 * How many receipts fit, and what they come to; those taken back count for nothing. Null where too many hold the words typed: all of
 * them would have to be read.
 */
export const sumReceipts = async (
  db: Db,
  filter: ReceiptFilter,
  currency: string,
): Promise<{ readonly count: number; readonly amount: Money } | null> => {
  const { from, to, ...others } = filter
  if (Object.values(others).every((value) => value === undefined)) return sumReceived(db, { from, to }, currency)
  const narrowed = await narrowReceipts(db, filter)
  if (narrowed.words?.fits === null) return null
  const [row] = await db
    .select({ count: sql<number>`count(*)::int`, amount: sql<string>`coalesce(sum(${receipt.amount}), 0)::text` })
    .from(receipt)
    .where(
      and(fits(narrowed), sql`not exists (select from ${receiptVoid} where ${receiptVoid.receiptId} = ${receipt.id})`),
    )
  const { count, amount } = present(row)
  return { count, amount: money(BigInt(amount), currency) }
}

const receiptsOf = builtForIds((db, ids) => receipts(db).where(isOneOf(receipt.id, ids)).orderBy(asc(receipt.id)))
export const receiptsByIds = async (db: Db, ids: readonly number[], currency: string): Promise<ReceiptRow[]> =>
  (await receiptsOf(db, ids)).map((r) => mapReceipt(r, currency))

export const insertReceipt = insertWithId(receipt)

export const insertReceiptVoid = async (db: Db, row: typeof receiptVoid.$inferInsert): Promise<void> => {
  await db.insert(receiptVoid).values(row)
}

/** Money taken on a day by method, voids of that day taken off; what was set off is no money. */
export const sumTaken = async (
  db: Db,
  on: Day,
  currency: string,
): Promise<{ method: ReceiptMethod; count: number; amount: Money }[]> => {
  const rows = await db.execute<{ method: ReceiptMethod; count: number; amount: string }>(sql`
    select method, sum(n)::int as count, sum(amount)::text as amount from (
      select method, 1 as n, amount from receipt where on_day = ${on} and method <> 'set-off'
      union all
      select r.method, -1, -r.amount from receipt_void v join receipt r on r.id = v.receipt_id where v.on_day = ${on} and r.method <> 'set-off') t
     group by method`)
  return rows.map((r) => ({ method: r.method, count: r.count, amount: money(BigInt(r.amount), currency) }))
}

/** How money came that was held for a sale, the last first. */
export const listReceiptsForSale = async (db: Db, saleId: number): Promise<{ readonly method: ReceiptMethod }[]> =>
  db
    .select({ method: receipt.method })
    .from(heldMove)
    .innerJoin(receipt, eq(receipt.id, heldMove.receiptId))
    .where(and(eq(heldMove.saleId, saleId), eq(heldMove.why, 'receipt')))
    .orderBy(desc(receipt.id))
    .limit(1)

/** Receipts that paid something of a sale, or were held for it, or belong to its counter sale; the newest first. */
export const listReceiptsOfSale = async (db: Db, saleId: number, currency: string): Promise<ReceiptRow[]> => {
  const rows = await db.execute<{ id: number }>(sql`
    select r.id from receipt r where r.id in (
      select f.receipt_id from due_fill f join due d on d.id = f.due_id where d.sale_id = ${saleId} and f.kind = 'receipt'
      union select m.receipt_id from held_move m where m.sale_id = ${saleId} and m.why = 'receipt'
      union select x.id from receipt x join invoice i on i.id = x.invoice_id where i.sale_id = ${saleId})
     order by r.id desc`)
  return receiptsByIds(
    db,
    rows.map((r) => r.id),
    currency,
  )
}
