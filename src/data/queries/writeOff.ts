import { builtForIds, insertWithId } from '../builtOnce'
import { writeOff, writeOffRecovery } from '../schema'
import type { Db } from '../connect'
import { isOneOf } from './search'
import { asc, eq } from 'drizzle-orm'
import { money } from '@/core/money'

export const insertWriteOff = insertWithId(writeOff)

const writeOffsOf = builtForIds((db, saleIds) =>
  db.select().from(writeOff).where(isOneOf(writeOff.saleId, saleIds)).orderBy(asc(writeOff.id)),
)
export const listWriteOffs = async (db: Db, saleIds: readonly number[], currency: string) =>
  (await writeOffsOf(db, saleIds)).map((r) => ({ ...r, on: r.onDay, amount: money(r.amount, currency) }))

export const findWriteOff = async (db: Db, id: number, currency: string) => {
  const [row] = await db
    .select({ paper: writeOff, recoveredOn: writeOffRecovery.onDay })
    .from(writeOff)
    .leftJoin(writeOffRecovery, eq(writeOffRecovery.writeOffId, writeOff.id))
    .where(eq(writeOff.id, id))
  return row
    ? {
        ...row.paper,
        on: row.paper.onDay,
        amount: money(row.paper.amount, currency),
        recoveredOn: row.recoveredOn,
      }
    : null
}

export const insertWriteOffRecovery = async (db: Db, row: typeof writeOffRecovery.$inferInsert): Promise<void> => {
  await db.insert(writeOffRecovery).values(row)
}
