import { builtForIds, insertWithId } from '../builtOnce'
import { extraCharge } from '../schema'
import type { Db } from '../connect'
import { isOneOf } from './search'
import { asc } from 'drizzle-orm'
import { money } from '@/core/money'

export const insertExtraCharge = insertWithId(extraCharge)

const chargesOf = builtForIds((db, saleIds) =>
  db.select().from(extraCharge).where(isOneOf(extraCharge.saleId, saleIds)).orderBy(asc(extraCharge.id)),
)
export const listExtraCharges = async (db: Db, saleIds: readonly number[], currency: string) =>
  (await chargesOf(db, saleIds)).map((r) => ({ ...r, on: r.onDay, amount: money(r.amount, currency) }))
