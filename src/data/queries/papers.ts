import { sql, type SQL } from 'drizzle-orm'
import type { PaperKind } from '@/core/formats'
import type { Db } from '../connect'

const NEWEST: Readonly<Record<PaperKind, SQL>> = {
  estimate: sql`select id from sale where stage <> 'draft' order by id desc limit 1`,
  confirmation: sql`select id from sale where agreed_on is not null and stage in ('agreed', 'owing') order by id desc limit 1`,
  'pick-list': sql`select id from sale where stage = 'agreed' order by id desc limit 1`,
  'packing-slip': sql`select id from handover where direction = 'out' order by id desc limit 1`,
  'deposit-request': sql`select id from deposit_request order by id desc limit 1`,
  invoice: sql`select id from invoice where kind = 'invoice' and status = 'issued' order by id desc limit 1`,
  'credit-note': sql`select id from invoice where kind = 'credit-note' order by id desc limit 1`,
  receipt: sql`select id from receipt order by id desc limit 1`,
  statement: sql`select customer_id as id from due where filled < amount order by id desc limit 1`,
  agreement: sql`select id from sale where arrangement ->> 'kind' in ('layaway', 'installments') order by id desc limit 1`,
  'open-items': sql`select customer_id as id from due where filled < amount order by due_on limit 1`,
  reminder: sql`select customer_id as id from due where filled < amount order by due_on limit 1`,
}

/** The newest paper of a kind, to show a layout on; null where there is none yet. */
export const findExample = async (db: Db, paper: PaperKind): Promise<number | null> =>
  (await db.execute<{ id: number }>(NEWEST[paper]))[0]?.id ?? null
