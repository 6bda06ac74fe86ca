import { builtForIds, insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { depositRequest } from '../schema'
import { isOneOf } from './search'
import { asc, eq } from 'drizzle-orm'
import { money } from '@/core/money'

const requestsOf = builtForIds((db, saleIds) =>
  db.select().from(depositRequest).where(isOneOf(depositRequest.saleId, saleIds)).orderBy(asc(depositRequest.id)),
)
export const listDepositRequests = async (db: Db, saleIds: readonly number[], currency: string) => {
  const rows = await requestsOf(db, saleIds)
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

export const insertDepositRequest = insertOne(depositRequest)
