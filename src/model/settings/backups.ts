import { addDays, type Day } from '@/core/day'
import type { Db } from '@/data/connect'
import { findLastBackup, listBackupRuns } from '@/data/queries/backupRuns'

/** How many days the last good backup may be old before somebody is told. */
const OLD = 2

/** The backups there were, and whether something is to be said about them: the last failed, or is old. */
export const readBackups = async (db: Db, today: Day) => {
  const [runs, last] = await Promise.all([listBackupRuns(db, 10), findLastBackup(db)])
  const failed = runs[0] !== undefined && !runs[0].ok
  const isOld = runs.length > 0 && (last === null || last.onDay < addDays(today, -OLD))
  return {
    runs,
    last: last && { on: last.onDay, name: last.name, bytes: Number(last.bytes), rows: last.rows },
    warning: failed ? ('failed' as const) : isOld ? ('old' as const) : null,
  }
}
export type Backups = Awaited<ReturnType<typeof readBackups>>
