import { and, asc, desc, eq, isNull, lt, sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import { present } from '@/core/present'
import { insertInto, insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { account, aheadMove, bill, billFill, billLine, supplier } from '../schema'
import { isOneOf } from './search'

export const insertBill = insertWithId(bill)

export const insertBillLines = insertInto(billLine)

export const markBillVoid = async (db: Db, id: number, voidedOn: Day, voidReason: string): Promise<void> => {
  await db.update(bill).set({ voidedOn, voidReason }).where(eq(bill.id, id))
}

export const insertBillFills = insertInto(billFill)

export const insertAheadMove = async (db: Db, row: typeof aheadMove.$inferInsert): Promise<void> => {
  await db.insert(aheadMove).values(row)
}

export interface BillFilter {
  readonly id?: number
  readonly ids?: readonly number[]
  readonly supplierId?: number
  /** Not paid in full, and not void. */
  readonly open?: boolean
}

/** Suppliers' invoices, the newest first. */
export const listBills = async (
  db: Db,
  of: BillFilter,
  part: { readonly limit?: number; readonly after?: number } = {},
) => {
  const all = db
    .select({ bill, supplier: supplier.name })
    .from(bill)
    .innerJoin(supplier, eq(supplier.id, bill.supplierId))
    .where(
      and(
        of.id === undefined ? undefined : eq(bill.id, of.id),
        of.ids === undefined ? undefined : isOneOf(bill.id, of.ids),
        of.supplierId === undefined ? undefined : eq(bill.supplierId, of.supplierId),
        of.open ? and(lt(bill.filled, bill.gross), isNull(bill.voidedOn)) : undefined,
        part.after === undefined ? undefined : sql`${bill.id} < ${part.after}`,
      ),
    )
    .orderBy(desc(bill.id))
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map(({ bill: b, ...named }) => ({ ...b, ...named }))
}
export type BillRow = Awaited<ReturnType<typeof listBills>>[number]

/** The bill of a supplier that has their number already, if there is one that is not void. */
export const findBillByNumber = async (db: Db, supplierId: number, theirNumber: string) =>
  (
    await db
      .select({ id: bill.id, number: bill.number })
      .from(bill)
      .where(
        and(
          eq(bill.supplierId, supplierId),
          sql`lower(${bill.theirNumber}) = lower(${theirNumber})`,
          isNull(bill.voidedOn),
        ),
      )
  )[0] ?? null

export const listBillLines = async (db: Db, billIds: readonly number[]) => {
  if (billIds.length === 0) return []
  const rows = await db
    .select({ line: billLine, account: account.code, accountName: account.name })
    .from(billLine)
    .innerJoin(account, eq(account.id, billLine.accountId))
    .where(isOneOf(billLine.billId, billIds))
    .orderBy(asc(billLine.billId), asc(billLine.position))
  return rows.map(({ line, ...named }) => ({ ...line, ...named }))
}
export type BillLineRow = Awaited<ReturnType<typeof listBillLines>>[number]

/** What was taken off bills, or of payments, day by day in the order in which it was written. */
export const listBillFills = async (
  db: Db,
  of: { readonly billIds: readonly number[] } | { readonly paymentId: number },
) => {
  if ('billIds' in of && of.billIds.length === 0) return []
  return db
    .select()
    .from(billFill)
    .where('billIds' in of ? isOneOf(billFill.billId, of.billIds) : eq(billFill.paymentId, of.paymentId))
    .orderBy(asc(billFill.id))
}

/** What was paid to a supplier in advance and used, day by day. */
export const listAheadMoves = (db: Db, supplierId: number) =>
  db.select().from(aheadMove).where(eq(aheadMove.supplierId, supplierId)).orderBy(asc(aheadMove.id))

/** A bill with what of it was open at the end of a day. */
export interface OpenBill {
  readonly id: number
  readonly number: string
  readonly theirNumber: string
  readonly supplierId: number
  readonly supplier: string
  readonly on: Day
  readonly dueOn: Day
  readonly discountOn: Day | null
  readonly open: Money
  /** Whether a bank account of the supplier is known. */
  readonly hasBank: boolean
}

/**
 * Bills of which something was open at the end of a day, the oldest due first: of those that are open now, were void later or had
 * something taken off them later. All others were paid by then.
 */
export const listOpenBills = async (
  db: Db,
  of: { readonly asOf: Day; readonly supplierId?: number },
  currency: string,
): Promise<readonly OpenBill[]> => {
  const rows = await db.execute<{
    id: number
    number: string
    their_number: string
    supplier_id: number
    supplier: string
    on_day: Day
    due_on: Day
    discount_on: Day | null
    open: string
    has_bank: boolean
  }>(sql`
    select b.id, b.number, b.their_number, b.supplier_id, s.name as supplier, coalesce(b.paper_on, b.on_day)::text as on_day, b.due_on::text as due_on,
           b.discount_on::text as discount_on, (b.gross - coalesce(f.filled, 0))::text as open,
           s.iban || s.bank_account <> '' as has_bank
      from bill b join supplier s on s.id = b.supplier_id
      left join lateral (select sum(amount) as filled from bill_fill f where f.bill_id = b.id and f.on_day <= ${of.asOf}) f on true
     where b.id = any(array(select id from bill where filled < gross and voided_on is null
                            union select id from bill where voided_on > ${of.asOf}
                            union select bill_id from bill_fill where on_day > ${of.asOf}))
       and b.on_day <= ${of.asOf} and (b.voided_on is null or b.voided_on > ${of.asOf}) and b.gross > coalesce(f.filled, 0)
       ${of.supplierId === undefined ? sql`` : sql`and b.supplier_id = ${of.supplierId}`}
     order by b.due_on, b.id`)
  return rows.map((r) => ({
    id: r.id,
    number: r.number,
    theirNumber: r.their_number,
    supplierId: r.supplier_id,
    supplier: r.supplier,
    on: r.on_day,
    dueOn: r.due_on,
    discountOn: r.discount_on,
    open: money(BigInt(r.open), currency),
    hasBank: r.has_bank,
  }))
}

/** Papers of a supplier that did not count on a day: dated later, or void by then. */
const notThen = (paper: 'bill' | 'supplier_credit', asOf: Day): SQL => sql`(
  select id from ${sql.identifier(paper)} where on_day > ${asOf}
  union all select id from ${sql.identifier(paper)} where on_day <= ${asOf} and voided_on <= ${asOf})`

/** What suppliers' papers say as of a day: owed to them, received and not invoiced, paid to them in advance. */
export const sumBuying = async (db: Db, asOf: Day, currency: string) => {
  const row = present(
    (
      await db.execute<Record<'payables' | 'received' | 'ahead', string>>(sql`
    select (coalesce((select sum(gross - filled) from bill where filled < gross and voided_on is null), 0)
            + coalesce((select sum(amount) from bill_fill where on_day > ${asOf}), 0)
            - coalesce((select sum(gross) from bill where on_day > ${asOf} and voided_on is null), 0)
            + coalesce((select sum(gross) from bill where on_day <= ${asOf} and voided_on > ${asOf}), 0))::text as payables,
           ((select coalesce(sum(value), 0) from goods_received_line) - (select coalesce(sum(cleared), 0) from bill_line where cleared <> 0)
            - (select coalesce(sum(value), 0) from goods_returned_line) + (select coalesce(sum(cleared), 0) from supplier_credit_line)
            - coalesce((select sum(l.value) from goods_received r join goods_received_line l on l.received_id = r.id
                         where r.on_day > ${asOf}), 0)
            + coalesce((select sum(l.cleared) from ${notThen('bill', asOf)} b join bill_line l on l.bill_id = b.id where l.cleared <> 0), 0)
            + coalesce((select sum(l.value) from goods_returned r join goods_returned_line l on l.returned_id = r.id
                         where r.on_day > ${asOf}), 0)
            - coalesce((select sum(l.cleared) from ${notThen('supplier_credit', asOf)} c
                          join supplier_credit_line l on l.credit_id = c.id), 0))::text as received,
           coalesce((select sum(amount) from ahead_move where on_day <= ${asOf}), 0)::text as ahead`)
    )[0],
  )
  return {
    payables: money(BigInt(row.payables), currency),
    received: money(BigInt(row.received), currency),
    ahead: money(BigInt(row.ahead), currency),
  }
}

/** What a supplier last billed for one of each of some goods, and when. */
export const listLastBilled = async (
  db: Db,
  supplierId: number,
  goodsIds: readonly number[],
): Promise<ReadonlyMap<number, { readonly unitCost: Decimal; readonly on: Day }>> => {
  if (goodsIds.length === 0) return new Map()
  const rows = await db.execute<{ goods_id: number; unit_cost: string; on_day: Day }>(sql`
    select distinct on (g.goods_id) g.goods_id, x.unit_cost::text, b.on_day::text
      from bill b join bill_line x on x.bill_id = b.id
      left join goods_received_line r on r.id = x.received_line_id left join purchase_order_line o on o.id = x.order_line_id
      cross join lateral (select coalesce(r.goods_id, o.goods_id) as goods_id) g
     where b.supplier_id = ${supplierId} and b.voided_on is null and x.quantity > 0 and ${isOneOf(sql`g.goods_id`, goodsIds)}
     order by g.goods_id, b.on_day desc, b.id desc`)
  return new Map(rows.map((r) => [r.goods_id, { unitCost: decimal(r.unit_cost), on: r.on_day }]))
}
