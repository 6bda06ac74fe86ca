import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm'
import { builtOnce } from '../builtOnce'
import type { Db } from '../connect'
import { apiToken, command, session } from '../schema'

export const insertSession = async (
  db: Db,
  row: { readonly tokenHash: string; readonly expiresAt: Date; readonly browser: string },
): Promise<void> => {
  await db.delete(session).where(lt(session.expiresAt, new Date()))
  await db.insert(session).values(row)
}

/** How long a session lives that nobody uses. */
const IDLE = sql`interval '12 hours'`

const openSession = builtOnce((db) =>
  db
    .select({ provedAt: session.provedAt, seenAt: session.seenAt })
    .from(session)
    .where(
      and(
        eq(session.tokenHash, sql.placeholder('tokenHash')),
        gt(session.expiresAt, sql.placeholder('now')),
        sql`${session.seenAt} > now() - ${IDLE}`,
      ),
    ),
)

/** Whether a session is open, and when the passphrase was last typed in it. Its use is noted, to the minute. */
export const findSession = async (db: Db, tokenHash: string): Promise<{ readonly provedAt: Date } | null> => {
  const [row] = await openSession(db, { tokenHash, now: new Date().toISOString() })
  if (row && Date.now() - row.seenAt.getTime() > 60_000)
    await db.update(session).set({ seenAt: new Date() }).where(eq(session.tokenHash, tokenHash))
  return row ?? null
}

export const markProved = async (db: Db, tokenHash: string): Promise<void> => {
  await db.update(session).set({ provedAt: new Date() }).where(eq(session.tokenHash, tokenHash))
}

export const deleteSession = async (db: Db, tokenHash: string): Promise<void> => {
  await db.delete(session).where(eq(session.tokenHash, tokenHash))
}

/** The sessions that are open, the one that was used last first. */
export const listSessions = (db: Db) =>
  db
    .select({
      id: session.id,
      tokenHash: session.tokenHash,
      browser: session.browser,
      createdAt: session.createdAt,
      usedAt: session.seenAt,
      expiresAt: session.expiresAt,
    })
    .from(session)
    .where(and(gt(session.expiresAt, new Date()), sql`${session.seenAt} > now() - ${IDLE}`))
    .orderBy(desc(session.seenAt), desc(session.id))

export const deleteSessionOf = async (db: Db, id: number): Promise<boolean> =>
  (await db.delete(session).where(eq(session.id, id)).returning({ id: session.id })).length > 0

export const deleteAllSessions = async (db: Db): Promise<void> => {
  await db.delete(session)
}

export interface NewApiToken {
  readonly name: string
  readonly tokenHash: string
  readonly expiresAt: Date
  readonly readOnly: boolean
}

export const insertApiToken = async (db: Db, row: NewApiToken): Promise<number | null> =>
  (await db.insert(apiToken).values(row).onConflictDoNothing().returning({ id: apiToken.id }))[0]?.id ?? null

const openToken = builtOnce((db) =>
  db
    .select({ id: apiToken.id, readOnly: apiToken.readOnly, usedAt: apiToken.usedAt })
    .from(apiToken)
    .where(
      and(
        eq(apiToken.tokenHash, sql.placeholder('tokenHash')),
        isNull(apiToken.revokedAt),
        gt(apiToken.expiresAt, sql.placeholder('now')),
      ),
    ),
)

/** The token that is open under a hash. Its use is noted, to the hour. */
export const findApiToken = async (db: Db, tokenHash: string) => {
  const [row] = await openToken(db, { tokenHash, now: new Date().toISOString() })
  if (!row) return null
  const fresh = row.usedAt === null || Date.now() - row.usedAt.getTime() > 3_600_000
  if (fresh) await db.update(apiToken).set({ usedAt: new Date() }).where(eq(apiToken.id, row.id))
  return { id: row.id, readOnly: row.readOnly, fresh }
}

export const listApiTokens = (db: Db) =>
  db
    .select({
      id: apiToken.id,
      name: apiToken.name,
      createdAt: apiToken.createdAt,
      expiresAt: apiToken.expiresAt,
      readOnly: apiToken.readOnly,
      usedAt: apiToken.usedAt,
    })
    .from(apiToken)
    .where(and(isNull(apiToken.revokedAt), gt(apiToken.expiresAt, new Date())))
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

const takeKey = builtOnce((db) =>
  db
    .insert(command)
    .values({ key: sql.placeholder('key'), fingerprint: sql.placeholder('fingerprint') })
    .onConflictDoNothing()
    .returning({ key: command.key }),
)

/**
 * Takes a command's key for this transaction. True when the key is new. When another transaction holds it, waits for that
 * one to end: afterwards the key is either free again (it failed) or taken (its answer stands).
 */
export const takeCommandKey = async (db: Db, key: string, fingerprint: string): Promise<boolean> => {
  const rows = await takeKey(db, { key, fingerprint })
  return rows.length > 0
}

export const findCommand = async (db: Db, key: string): Promise<{ fingerprint: string; answer: unknown } | null> => {
  const [row] = await db
    .select({ fingerprint: command.fingerprint, answer: command.answer })
    .from(command)
    .where(eq(command.key, key))
  return row ?? null
}

const keep = builtOnce((db) =>
  db
    .update(command)
    .set({ answer: sql.placeholder('answer') })
    .where(eq(command.key, sql.placeholder('key'))),
)
export const keepAnswer = async (db: Db, key: string, answer: unknown): Promise<void> => {
  // None stands there already.
  if (answer !== null) await keep(db, { key, answer })
}

/** Takes a key again whose work began more than a minute ago and never ended. */
export const retakeCommandKey = async (db: Db, key: string, fingerprint: string): Promise<boolean> =>
  (
    await db
      .update(command)
      .set({ createdAt: new Date() })
      .where(
        and(
          eq(command.key, key),
          eq(command.fingerprint, fingerprint),
          isNull(command.answer),
          sql`${command.createdAt} < now() - interval '1 minute'`,
        ),
      )
      .returning({ key: command.key })
  ).length > 0

export const dropCommandKey = async (db: Db, key: string): Promise<void> => {
  await db.delete(command).where(eq(command.key, key))
}
