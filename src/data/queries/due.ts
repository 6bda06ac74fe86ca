import type { Day } from '@/core/day'
import { type Money, money } from '@/core/money'
import { builtForId, builtForIds, insertAll } from '../builtOnce'
import { due, invoice, sale } from '../schema'
import { sql, eq, asc, and, type Placeholder, type SQL } from 'drizzle-orm'
import type { Db } from '../connect'
import { isOneOf } from './search'

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

const duesWhere = (db: Db, where: SQL | undefined) => dues(db).where(where).orderBy(asc(due.dueOn), asc(due.id))
const duesOfSales = builtForIds((db, saleIds) => duesWhere(db, isOneOf(due.saleId, saleIds)))
const duesOfInvoice = builtForId((db, invoiceId) => duesWhere(db, eq(due.invoiceId, invoiceId)))
const duesOfPlan = builtForId((db, planId) => duesWhere(db, eq(due.planId, planId)))
const duesByIds = builtForIds((db, ids) => duesWhere(db, isOneOf(due.id, ids)))

export const listDuesOfSales = async (db: Db, saleIds: readonly number[], currency: string): Promise<DueRow[]> =>
  (await duesOfSales(db, saleIds)).map((r) => mapDue(r, currency))

export const listDuesOfInvoice = async (db: Db, invoiceId: number, currency: string): Promise<DueRow[]> =>
  (await duesOfInvoice(db, invoiceId)).map((r) => mapDue(r, currency))

export const listDuesOfPlan = async (db: Db, planId: number, currency: string): Promise<DueRow[]> =>
  (await duesOfPlan(db, planId)).map((r) => mapDue(r, currency))

export const findDues = async (db: Db, ids: readonly number[], currency: string): Promise<DueRow[]> =>
  (await duesByIds(db, ids)).map((r) => mapDue(r, currency))

const isOpenOf = (customerId: Placeholder) => and(eq(due.customerId, customerId), sql`${due.filled} < ${due.amount}`)
const openOf = builtForId((db, customerId) => duesWhere(db, isOpenOf(customerId)))
const lockOpenOf = builtForId((db, customerId) =>
  db.select({ id: due.id }).from(due).where(isOpenOf(customerId)).orderBy(asc(due.id)).for('update'),
)

/** What a customer has open, oldest due first. */
export const listOpenDues = async (db: Db, customerId: number, currency: string): Promise<DueRow[]> =>
  (await openOf(db, customerId)).map((r) => mapDue(r, currency))

/** Locks a customer's open dues in id order for the rest of the transaction, so that two receipts fill one after the other. */
export const lockOpenDues = async (db: Db, customerId: number, currency: string): Promise<DueRow[]> => {
  const [, open] = await Promise.all([lockOpenOf(db, customerId), listOpenDues(db, customerId, currency)])
  return open
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

export const insertDues = insertAll(due)

/** Whose due it is, open or not. */
export const findDueOwner = async (db: Db, dueId: number): Promise<number | null> => {
  const [row] = await db.select({ customerId: due.customerId }).from(due).where(eq(due.id, dueId))
  return row?.customerId ?? null
}
