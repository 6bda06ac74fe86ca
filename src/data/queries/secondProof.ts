import { eq } from 'drizzle-orm'
import type { Db } from '../connect'
import { secondProof } from '../schema'

export type SecondProof = typeof secondProof.$inferSelect

export const findSecondProof = async (db: Db): Promise<SecondProof | null> =>
  (await db.select().from(secondProof))[0] ?? null

/** Begins anew with another secret; nothing is asked for yet. */
export const beginSecondProof = async (db: Db, secret: string): Promise<void> => {
  await db.delete(secondProof)
  await db.insert(secondProof).values({ secret })
}

export const updateSecondProof = async (db: Db, change: Partial<typeof secondProof.$inferInsert>): Promise<void> => {
  await db.update(secondProof).set(change).where(eq(secondProof.id, 1))
}

export const deleteSecondProof = async (db: Db): Promise<void> => {
  await db.delete(secondProof)
}
