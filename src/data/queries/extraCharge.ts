import { extraCharge } from '../schema'
import type { Db } from '../connect'
import { isOneOf } from './search'
import { asc } from 'drizzle-orm'
import { money } from '@/core/money'
import { insertWithId } from './insertWithId'

export const insertExtraCharge = insertWithId(extraCharge)

export const listExtraCharges = async (db: Db, saleIds: readonly number[], currency: string) =>
  saleIds.length === 0
    ? []
    : (
        await db.select().from(extraCharge).where(isOneOf(extraCharge.saleId, saleIds)).orderBy(asc(extraCharge.id))
      ).map((r) => ({ ...r, on: r.onDay, amount: money(r.amount, currency) }))
