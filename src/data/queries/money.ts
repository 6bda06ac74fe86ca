// Long, because it is all the queries of one aggregate: dues, fills, held money, receipts and refunds.
import { and, asc, desc, eq, inArray, isNull, sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { HeldKind, Method } from '@/core/ledger'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import type { FILL_KINDS } from '../schema'
import {
  customer,
  due,
  dueFill,
  held,
  heldMove,
  invoice,
  receipt,
  receiptVoid,
  refund,
  refundVoid,
  sale,
} from '../schema'
import { isOneOf, matchesPaper } from './search'

export interface DueRow {
  readonly id: number
  /** None where it is a charge of its own. */
  readonly invoiceId: number | null
  /** What it is called: its bill’s number, and which part of it. */
  readonly number: string
  readonly label: string
  readonly planId: number | null
  readonly saleId: number
  readonly saleNumber: number
  readonly saleTitle: string
  readonly customerId: number
  readonly issuedOn: Day
  readonly dueOn: Day
  readonly amount: Money
  readonly open: Money
  /** The charge in it, where it is a row of a plan. */
  readonly charge: Money
  /** What of it no bill bills. */
  readonly beyond: Money
  /** Comes off when all the rest is paid through the day, as agreed on the whole amount; see `discountOn`. */
  readonly discount: Money
  readonly discountUntil: Day | null
  /** Taken off by credit notes. Only read where a discount shrinks with it. */
  readonly credited: Money
}

const dueColumns = {
  id: due.id,
  invoiceId: due.invoiceId,
  number: invoice.number,
  label: due.label,
  planId: due.planId,
  charge: due.charge,
  beyond: due.beyond,
  discount: due.discount,
  discountUntil: due.discountUntil,
  credited: sql<string>`case when ${due.discount} = 0 then '0'
    else (select coalesce(sum(f.amount), 0)::text from due_fill f where f.due_id = ${due.id} and f.kind = 'credit-note') end`,
  saleId: due.saleId,
  saleNumber: sale.number,
  saleTitle: sale.title,
  customerId: due.customerId,
  issuedOn: due.issuedOn,
  dueOn: due.dueOn,
  amount: due.amount,
  filled: due.filled,
}

type DueSelect = Omit<DueRow, 'number' | 'amount' | 'open' | 'charge' | 'beyond' | 'discount' | 'credited'> &
  Record<'amount' | 'filled' | 'charge' | 'beyond' | 'discount', bigint> & {
    credited: string
    number: string | null
  }
const mapDue = ({ filled, ...row }: DueSelect, currency: string): DueRow => ({
  ...row,
  number: row.number ?? '',
  amount: money(row.amount, currency),
  open: money(row.amount - filled, currency),
  charge: money(row.charge, currency),
  beyond: money(row.beyond, currency),
  discount: money(row.discount, currency),
  credited: money(BigInt(row.credited), currency),
})

const dues = (db: Db) =>
  db
    .select(dueColumns)
    .from(due)
    .leftJoin(invoice, eq(invoice.id, due.invoiceId))
    .innerJoin(sale, eq(sale.id, due.saleId))

export const listDuesOfSales = async (db: Db, saleIds: readonly number[], currency: string): Promise<DueRow[]> =>
  saleIds.length === 0
    ? []
    : (await dues(db).where(isOneOf(due.saleId, saleIds)).orderBy(asc(due.dueOn), asc(due.id))).map((r) =>
        mapDue(r, currency),
      )

export const listDuesOfInvoice = async (db: Db, invoiceId: number, currency: string): Promise<DueRow[]> =>
  (await dues(db).where(eq(due.invoiceId, invoiceId)).orderBy(asc(due.dueOn), asc(due.id))).map((r) =>
    mapDue(r, currency),
  )

export const listDuesOfPlan = async (db: Db, planId: number, currency: string): Promise<DueRow[]> =>
  (await dues(db).where(eq(due.planId, planId)).orderBy(asc(due.dueOn), asc(due.id))).map((r) => mapDue(r, currency))

export const findDues = async (db: Db, ids: readonly number[], currency: string): Promise<DueRow[]> =>
  ids.length === 0
    ? []
    : (await dues(db).where(isOneOf(due.id, ids)).orderBy(asc(due.dueOn), asc(due.id))).map((r) => mapDue(r, currency))

/** What a customer has open, oldest due first. */
export const listOpenDues = async (db: Db, customerId: number, currency: string): Promise<DueRow[]> =>
  (
    await dues(db)
      .where(and(eq(due.customerId, customerId), sql`${due.filled} < ${due.amount}`))
      .orderBy(asc(due.dueOn), asc(due.id))
  ).map((r) => mapDue(r, currency))

/** Locks a customer's open dues in id order for the rest of the transaction, so that two receipts fill one after the other. */
export const lockOpenDues = async (db: Db, customerId: number, currency: string): Promise<DueRow[]> => {
  await db
    .select({ id: due.id })
    .from(due)
    .where(and(eq(due.customerId, customerId), sql`${due.filled} < ${due.amount}`))
    .orderBy(asc(due.id))
    .for('update')
  return listOpenDues(db, customerId, currency)
}

/** Dues that are open anywhere, of all customers: for what is expected by week. */
export const sumOpenByDay = async (db: Db, currency: string): Promise<{ dueOn: Day; open: Money }[]> => {
  const rows = await db
    .select({ dueOn: due.dueOn, open: sql<string>`sum(${due.amount} - ${due.filled})::text` })
    .from(due)
    .where(sql`${due.filled} < ${due.amount}`)
    .groupBy(due.dueOn)
  return rows.map((r) => ({ dueOn: r.dueOn, open: money(BigInt(r.open), currency) }))
}

export const insertDues = async (db: Db, rows: readonly (typeof due.$inferInsert)[]): Promise<number[]> =>
  rows.length === 0
    ? []
    : (
        await db
          .insert(due)
          .values([...rows])
          .returning({ id: due.id })
      ).map((r) => r.id)

export const insertFills = async (db: Db, rows: readonly (typeof dueFill.$inferInsert)[]): Promise<void> => {
  const sorted = [...rows].sort((a, b) => a.dueId - b.dueId)
  if (sorted.length > 0) await db.insert(dueFill).values(sorted)
}

export interface FillRow {
  readonly id: number
  readonly dueId: number
  readonly saleId: number
  readonly customerId: number
  readonly on: Day
  readonly amount: Money
  readonly kind: FillKind
  readonly receiptId: number | null
  readonly entryId: number | null
}
export type FillKind = (typeof FILL_KINDS)[number]
/** What is put on dues in money, as against what only makes them smaller. */
export const MONEY_FILLS: ReadonlySet<FillKind> = new Set<FillKind>(['receipt', 'held', 'void', 'released'])
export const isMoney = (kind: FillKind): boolean => MONEY_FILLS.has(kind)

/** What was put on dues, or taken off again, for working out what they were made of on any day. */
export const listFillsOfDues = async (db: Db, dueIds: readonly number[], currency: string): Promise<FillRow[]> =>
  dueIds.length === 0
    ? []
    : (await fills(db).where(isOneOf(dueFill.dueId, dueIds)).orderBy(asc(dueFill.id))).map((r) => mapFill(r, currency))

/** What an entry put on dues. */
export const listFillsOfEntry = async (db: Db, entryId: number, currency: string): Promise<FillRow[]> =>
  (await fills(db).where(eq(dueFill.entryId, entryId)).orderBy(asc(dueFill.id))).map((r) => mapFill(r, currency))

const fills = (db: Db) =>
  db
    .select({
      id: dueFill.id,
      dueId: dueFill.dueId,
      saleId: due.saleId,
      customerId: due.customerId,
      on: dueFill.onDay,
      amount: dueFill.amount,
      kind: dueFill.kind,
      receiptId: dueFill.receiptId,
      entryId: dueFill.entryId,
    })
    .from(dueFill)
    .innerJoin(due, eq(due.id, dueFill.dueId))
const mapFill = (r: Omit<FillRow, 'amount'> & { amount: bigint }, currency: string): FillRow => ({
  ...r,
  on: r.on,
  amount: money(r.amount, currency),
})

export const listFillsOfSales = async (db: Db, saleIds: readonly number[], currency: string): Promise<FillRow[]> =>
  saleIds.length === 0
    ? []
    : (await fills(db).where(isOneOf(due.saleId, saleIds)).orderBy(asc(dueFill.id))).map((r) => mapFill(r, currency))

export const listFillsOfReceipt = async (db: Db, receiptId: number, currency: string): Promise<FillRow[]> =>
  (await fills(db).where(eq(dueFill.receiptId, receiptId)).orderBy(asc(dueFill.id))).map((r) => mapFill(r, currency))

/** What held money put on dues, the newest first: followed back when that money turns out never to have come. */
export const listFillsOfHeld = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
  currency: string,
): Promise<FillRow[]> => {
  const moves = await db
    .select({ entryId: heldMove.entryId })
    .from(heldMove)
    .where(
      and(
        eq(heldMove.customerId, of.customerId),
        of.saleId === null ? sql`${heldMove.saleId} is null` : eq(heldMove.saleId, of.saleId),
        inArray(heldMove.why, ['invoice', 'use']),
      ),
    )
  const entryIds = moves.map((m) => m.entryId)
  if (entryIds.length === 0) return []
  const rows = await fills(db)
    .where(and(inArray(dueFill.entryId, entryIds), eq(dueFill.kind, 'held')))
    .orderBy(desc(dueFill.id))
  return rows.map((r) => mapFill(r, currency))
}

export interface HeldRow {
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly amount: Money
}

/** What is held for a customer, or for sales, now. Zero places are left out. */
export const listHeld = async (
  db: Db,
  of: { readonly customerId: number } | { readonly saleIds: readonly number[] },
  currency: string,
): Promise<HeldRow[]> => {
  if ('saleIds' in of && of.saleIds.length === 0) return []
  const rows = await db
    .select({ customerId: held.customerId, saleId: held.saleId, kind: held.kind, amount: held.amount })
    .from(held)
    .where(
      and(
        'saleIds' in of ? isOneOf(held.saleId, of.saleIds) : eq(held.customerId, of.customerId),
        sql`${held.amount} > 0`,
      ),
    )
    .orderBy(asc(held.id))
  return rows.map((r) => ({ ...r, amount: money(r.amount, currency) }))
}

/** The same, locked for the rest of the transaction. */
export const lockHeld = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
  currency: string,
): Promise<HeldRow[]> => {
  const rows = await db
    .select({ customerId: held.customerId, saleId: held.saleId, kind: held.kind, amount: held.amount })
    .from(held)
    .where(
      and(
        eq(held.customerId, of.customerId),
        of.saleId === null ? sql`${held.saleId} is null` : eq(held.saleId, of.saleId),
        sql`${held.amount} > 0`,
      ),
    )
    .orderBy(asc(held.id))
    .for('update')
  return rows.map((r) => ({ ...r, amount: money(r.amount, currency) }))
}

/** What changed a place's held money, by kind and day. */
export const listHeldChanges = async (
  db: Db,
  of: { readonly customerId: number; readonly saleId: number | null },
): Promise<{ readonly kind: HeldKind; readonly on: Day; readonly by: bigint }[]> => {
  const rows = await db
    .select({ kind: heldMove.kind, on: heldMove.onDay, by: sql<string>`sum(${heldMove.amount})::text` })
    .from(heldMove)
    .where(
      and(
        eq(heldMove.customerId, of.customerId),
        of.saleId === null ? sql`${heldMove.saleId} is null` : eq(heldMove.saleId, of.saleId),
      ),
    )
    .groupBy(heldMove.kind, heldMove.onDay)
  return rows.map((r) => ({ kind: r.kind, on: r.on, by: BigInt(r.by) }))
}

export const insertHeldMoves = async (db: Db, rows: readonly (typeof heldMove.$inferInsert)[]): Promise<void> => {
  if (rows.length > 0) await db.insert(heldMove).values([...rows])
}

export interface HeldMoveRow {
  readonly id: number
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly on: Day
  readonly amount: Money
  readonly why: (typeof heldMove.$inferSelect)['why']
  readonly receiptId: number | null
  readonly invoiceId: number | null
  readonly refundId: number | null
  readonly transferId: number | null
  readonly entryId: number
}

export const listHeldMoves = async (
  db: Db,
  of:
    | { readonly saleIds: readonly number[] }
    | { readonly receiptId: number }
    | { readonly refundId: number }
    | { readonly transferId: number }
    | { readonly customerId: number },
  currency: string,
): Promise<HeldMoveRow[]> => {
  if ('saleIds' in of && of.saleIds.length === 0) return []
  const where =
    'saleIds' in of
      ? isOneOf(heldMove.saleId, of.saleIds)
      : 'receiptId' in of
        ? eq(heldMove.receiptId, of.receiptId)
        : 'refundId' in of
          ? eq(heldMove.refundId, of.refundId)
          : 'transferId' in of
            ? eq(heldMove.transferId, of.transferId)
            : eq(heldMove.customerId, of.customerId)
  const rows = await db.select().from(heldMove).where(where).orderBy(asc(heldMove.id))
  return rows.map(({ onDay, ...r }) => ({ ...r, on: onDay, amount: money(r.amount, currency) }))
}

export interface ReceiptRow {
  readonly id: number
  readonly number: string
  readonly customerId: number
  readonly customerName: string
  readonly on: Day
  readonly method: Method
  readonly amount: Money
  readonly tendered: Money
  /** What coins made more (or less) of the amount. */
  readonly rounding: Money
  readonly reference: string
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
  invoiceId: r.receipt.invoiceId,
  entryId: r.receipt.entryId,
  voidedOn: r.voidedOn,
  voidReason: r.voidReason,
  voidKind: r.voidKind,
})

export const findReceipt = async (db: Db, id: number, currency: string): Promise<ReceiptRow | null> => {
  const [row] = await receipts(db).where(eq(receipt.id, id))
  return row ? mapReceipt(row, currency) : null
}

/** Locks a receipt for the rest of the transaction. */
export const lockReceipt = async (db: Db, id: number): Promise<void> => {
  await db.select({ id: receipt.id }).from(receipt).where(eq(receipt.id, id)).for('update')
}

export interface ReceiptFilter {
  readonly customerId?: number
  readonly on?: Day
  readonly from?: Day
  readonly to?: Day
  readonly method?: Method
  readonly amount?: Money
  readonly search?: string
  readonly invoiceId?: number
}

/** Receipts, newest first, a page at a time. */
export const listReceipts = async (
  db: Db,
  filter: ReceiptFilter,
  page: { readonly limit: number; readonly after?: number },
  currency: string,
): Promise<ReceiptRow[]> => {
  const rows = await receipts(db)
    .where(
      and(
        filter.customerId ? eq(receipt.customerId, filter.customerId) : undefined,
        filter.on ? eq(receipt.onDay, filter.on) : undefined,
        filter.from ? sql`${receipt.onDay} >= ${filter.from}` : undefined,
        filter.to ? sql`${receipt.onDay} <= ${filter.to}` : undefined,
        filter.method ? eq(receipt.method, filter.method) : undefined,
        filter.amount ? eq(receipt.amount, filter.amount.minor) : undefined,
        filter.invoiceId ? eq(receipt.invoiceId, filter.invoiceId) : undefined,
        filter.search
          ? matchesPaper(filter.search, {
              customerId: receipt.customerId,
              columns: [receipt.number, receipt.reference],
            })
          : undefined,
        page.after ? sql`${receipt.id} < ${page.after}` : undefined,
      ),
    )
    .orderBy(desc(receipt.id))
    .limit(page.limit)
  return rows.map((r) => mapReceipt(r, currency))
}

export const receiptsByIds = async (db: Db, ids: readonly number[], currency: string): Promise<ReceiptRow[]> =>
  ids.length === 0
    ? []
    : (await receipts(db).where(isOneOf(receipt.id, ids)).orderBy(asc(receipt.id))).map((r) => mapReceipt(r, currency))

export const insertReceipt = async (db: Db, row: typeof receipt.$inferInsert, id: number): Promise<void> => {
  await db
    .insert(receipt)
    .overridingSystemValue()
    .values({ ...row, id })
}

export const insertReceiptVoid = async (db: Db, row: typeof receiptVoid.$inferInsert): Promise<void> => {
  await db.insert(receiptVoid).values(row)
}

export const insertRefund = async (db: Db, row: typeof refund.$inferInsert, id: number): Promise<void> => {
  await db
    .insert(refund)
    .overridingSystemValue()
    .values({ ...row, id })
}

export const insertRefundVoid = async (db: Db, row: typeof refundVoid.$inferInsert): Promise<void> => {
  await db.insert(refundVoid).values(row)
}

const readRefunds = async (db: Db, which: SQL | undefined, currency: string, most?: number) => {
  const query = db
    .select({ refund, voidedOn: refundVoid.onDay })
    .from(refund)
    .leftJoin(refundVoid, eq(refundVoid.refundId, refund.id))
    .where(which)
    .orderBy(desc(refund.onDay), desc(refund.id))
  const rows = await (most === undefined ? query : query.limit(most))
  return rows.map(({ refund: r, voidedOn }) => ({
    id: r.id,
    number: r.number,
    customerId: r.customerId,
    saleId: r.saleId,
    on: r.onDay,
    method: r.method,
    amount: money(r.amount, currency),
    rounding: money(r.rounding, currency),
    reason: r.reason,
    entryId: r.entryId,
    voidedOn: voidedOn,
  }))
}

export const listRefundsByIds = async (db: Db, ids: readonly number[], currency: string) =>
  ids.length === 0 ? [] : readRefunds(db, isOneOf(refund.id, ids), currency)

/** What was given back from the account of a customer, the newest first; voided ones too. */
export const listAccountRefunds = (db: Db, customerId: number, currency: string) =>
  readRefunds(db, and(eq(refund.customerId, customerId), isNull(refund.saleId)), currency, 10)

/** Money taken on a day by method, voids of that day taken off. */
export const sumTaken = async (
  db: Db,
  on: Day,
  currency: string,
): Promise<{ method: Method; count: number; amount: Money }[]> => {
  const rows = await db.execute<{ method: Method; count: number; amount: string }>(sql`
    select method, sum(n)::int as count, sum(amount)::text as amount from (
      select method, 1 as n, amount from receipt where on_day = ${on}
      union all
      select r.method, -1, -r.amount from receipt_void v join receipt r on r.id = v.receipt_id where v.on_day = ${on}) t
     group by method`)
  return rows.map((r) => ({ method: r.method, count: r.count, amount: money(BigInt(r.amount), currency) }))
}

/** Whose due it is, open or not. */
export const findDueOwner = async (db: Db, dueId: number): Promise<number | null> => {
  const [row] = await db.select({ customerId: due.customerId }).from(due).where(eq(due.id, dueId))
  return row?.customerId ?? null
}

/** How money came that was held for a sale, the last first. */
export const listReceiptsForSale = async (db: Db, saleId: number): Promise<{ readonly method: Method }[]> =>
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
     order by r.id desc limit 50`)
  return receiptsByIds(
    db,
    rows.map((r) => r.id),
    currency,
  )
}
