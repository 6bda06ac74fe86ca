import { sql, type SQL } from 'drizzle-orm'
import { traitsOf, type PaperKind } from '@/core/formats'
import type { Db } from '../connect'

const NEWEST_OF: Readonly<Record<ReturnType<typeof traitsOf>['of'], SQL>> = {
  sale: sql`select id from sale where stage <> 'draft' order by id desc limit 1`,
  handover: sql`select id from handover where direction = 'out' order by id desc limit 1`,
  'deposit-request': sql`select id from deposit_request order by id desc limit 1`,
  invoice: sql`select id from invoice where kind = 'invoice' and status = 'issued' order by id desc limit 1`,
  receipt: sql`select id from receipt order by id desc limit 1`,
  refund: sql`select id from refund order by id desc limit 1`,
  'purchase-order': sql`select id from purchase_order order by id desc limit 1`,
  'supplier-payment': sql`select id from supplier_payment order by id desc limit 1`,
  customer: sql`select customer_id as id from due where filled < amount order by due_on limit 1`,
}

/** Where not any thing of its sort will do to show it on. */
const NEWEST: Partial<Readonly<Record<PaperKind, SQL>>> = {
  confirmation: sql`select id from sale where agreed_on is not null and stage in ('agreed', 'owing') order by id desc limit 1`,
  'pick-list': sql`select id from sale where stage = 'agreed' order by id desc limit 1`,
  'credit-note': sql`select id from invoice where kind = 'credit-note' order by id desc limit 1`,
  agreement: sql`select id from sale where arrangement ->> 'kind' in ('layaway', 'installments') order by id desc limit 1`,
}

/** The newest paper of a kind, to show a layout on; null where there is none yet. */
export const findExample = async (db: Db, paper: PaperKind): Promise<number | null> =>
  (await db.execute<{ id: number }>(NEWEST[paper] ?? NEWEST_OF[traitsOf(paper).of]))[0]?.id ?? null
