import { insertWithId } from '../builtOnce'
import { heldTransfer, heldTransferReversal } from '../schema'
import type { Db } from '../connect'
import { eq } from 'drizzle-orm'
import { money } from '@/core/money'

export const insertHeldTransfer = insertWithId(heldTransfer)

export const findHeldTransfer = async (db: Db, id: number, currency: string) => {
  const [row] = await db
    .select({ paper: heldTransfer, reversedOn: heldTransferReversal.onDay })
    .from(heldTransfer)
    .leftJoin(heldTransferReversal, eq(heldTransferReversal.transferId, heldTransfer.id))
    .where(eq(heldTransfer.id, id))
  return row
    ? {
        ...row.paper,
        on: row.paper.onDay,
        amount: money(row.paper.amount, currency),
        reversedOn: row.reversedOn,
      }
    : null
}

export const insertHeldTransferReversal = async (
  db: Db,
  row: typeof heldTransferReversal.$inferInsert,
): Promise<void> => {
  await db.insert(heldTransferReversal).values(row)
}
