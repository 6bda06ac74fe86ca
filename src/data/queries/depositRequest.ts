import type { Db } from '../connect'
import { depositRequest } from '../schema'
import { isOneOf } from './search'
import { asc, eq } from 'drizzle-orm'
import { money } from '@/core/money'
import { present } from '@/core/present'

export const listDepositRequests = async (db: Db, saleIds: readonly number[], currency: string) => {
  if (saleIds.length === 0) return []
  const rows = await db
    .select()
    .from(depositRequest)
    .where(isOneOf(depositRequest.saleId, saleIds))
    .orderBy(asc(depositRequest.id))
  return rows.map((r) => ({
    id: r.id,
    number: r.number,
    saleId: r.saleId,
    on: r.onDay,
    percent: r.percent,
    amount: money(r.amount, currency),
  }))
}

export const findDepositRequest = async (db: Db, id: number, currency: string) => {
  const [row] = await db.select().from(depositRequest).where(eq(depositRequest.id, id))
  return row ? { ...row, on: row.onDay, amount: money(row.amount, currency) } : null
}

export const insertDepositRequest = async (db: Db, row: typeof depositRequest.$inferInsert): Promise<number> => {
  const made = present((await db.insert(depositRequest).values(row).returning({ id: depositRequest.id }))[0])
  return made.id
}
