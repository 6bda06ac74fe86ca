import { desc, eq } from 'drizzle-orm'
import type { Db } from '../connect'
import { backupRun } from '../schema'

export const insertBackupRun = async (db: Db, row: typeof backupRun.$inferInsert): Promise<void> => {
  await db.insert(backupRun).values(row)
}

/** Backups that were tried, the last first. */
export const listBackupRuns = async (db: Db, limit: number) =>
  (await db.select().from(backupRun).orderBy(desc(backupRun.id)).limit(limit)).map((r) => ({
    id: r.id,
    on: r.onDay,
    at: r.at,
    ok: r.ok,
    name: r.name,
    bytes: Number(r.bytes),
    rows: r.rows,
    problem: r.problem,
  }))
export type BackupRunRow = Awaited<ReturnType<typeof listBackupRuns>>[number]

/** The last one that was whole; null where none was. */
export const findLastBackup = async (db: Db) =>
  (await db.select().from(backupRun).where(eq(backupRun.ok, true)).orderBy(desc(backupRun.id)).limit(1))[0] ?? null
