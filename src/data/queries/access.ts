import { and, desc, eq, gt, isNull, lt } from 'drizzle-orm'
import type { Db } from '../connect'
import { apiToken, command, session } from '../schema'

export const insertSession = async (db: Db, tokenHash: string, expiresAt: Date): Promise<void> => {
  await db.delete(session).where(lt(session.expiresAt, new Date()))
  await db.insert(session).values({ tokenHash, expiresAt })
}

export const sessionIsOpen = async (db: Db, tokenHash: string): Promise<boolean> => {
  const rows = await db
    .select({ hash: session.tokenHash })
    .from(session)
    .where(and(eq(session.tokenHash, tokenHash), gt(session.expiresAt, new Date())))
  return rows.length > 0
}

export const deleteSession = async (db: Db, tokenHash: string): Promise<void> => {
  await db.delete(session).where(eq(session.tokenHash, tokenHash))
}

export const deleteAllSessions = async (db: Db): Promise<void> => {
  await db.delete(session)
}

export const insertApiToken = async (db: Db, name: string, tokenHash: string): Promise<void> => {
  await db.insert(apiToken).values({ name, tokenHash }).onConflictDoNothing()
}

export const apiTokenIsValid = async (db: Db, tokenHash: string): Promise<boolean> => {
  const rows = await db
    .select({ id: apiToken.id })
    .from(apiToken)
    .where(and(eq(apiToken.tokenHash, tokenHash), isNull(apiToken.revokedAt)))
  return rows.length > 0
}

export const listApiTokens = (db: Db) =>
  db
    .select({ id: apiToken.id, name: apiToken.name, createdAt: apiToken.createdAt })
    .from(apiToken)
    .where(isNull(apiToken.revokedAt))
    .orderBy(desc(apiToken.id))

export const revokeApiToken = async (db: Db, id: number): Promise<boolean> => {
  const rows = await db
    .update(apiToken)
    .set({ revokedAt: new Date() })
    .where(eq(apiToken.id, id))
    .returning({ id: apiToken.id })
  return rows.length > 0
}

export const revokeAllTokens = async (db: Db): Promise<void> => {
  await db.update(apiToken).set({ revokedAt: new Date() }).where(isNull(apiToken.revokedAt))
}

/**
 * Takes a command's key for this transaction. True when the key is new. When another transaction holds it, waits for that
 * one to end: afterwards the key is either free again (it failed) or taken (its answer stands).
 */
export const takeCommandKey = async (db: Db, key: string, fingerprint: string): Promise<boolean> => {
  const rows = await db
    .insert(command)
    .values({ key, fingerprint })
    .onConflictDoNothing()
    .returning({ key: command.key })
  return rows.length > 0
}

export const findCommand = async (
  db: Db,
  key: string,
): Promise<{ fingerprint: string; answer: unknown } | null> => {
  const [row] = await db
    .select({ fingerprint: command.fingerprint, answer: command.answer })
    .from(command)
    .where(eq(command.key, key))
  return row ?? null
}

export const keepAnswer = async (db: Db, key: string, answer: unknown): Promise<void> => {
  await db.update(command).set({ answer }).where(eq(command.key, key))
}
