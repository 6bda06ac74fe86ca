import { mkdir, mkdtemp, open, readdir, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Failure } from '@/contract/failure'
import { backupDay, backupName, keptBackups } from '@/core/backup'
import { present } from '@/core/present'
import { err, ok, type Result } from '@/core/result'
import { writeBackup } from '@/data/backup/write'
import type { Database } from '@/data/connect'
import { tellEverything } from '@/data/queries/everything'
import { insertBackupRun, listBackupRuns, type BackupRunRow } from '@/data/queries/backupRuns'
import { log } from '@/log'
import type { Till } from '../command'

/** Where backups are kept that are made by themselves; nowhere where nothing is said. */
const folderOf = (): string | null => process.env.TILL_BACKUPS ?? null
const databaseUrl = (): string => present(process.env.DATABASE_URL)

/** Throws away what is older than what is kept. Files of other names are left alone. */
const thin = async (folder: string, today: Till['today']): Promise<void> => {
  const names = (await readdir(folder)).filter((name) => backupDay(name) !== null)
  const kept = keptBackups(names, today)
  for (const name of names) if (!kept.has(name)) await rm(join(folder, name), { force: true })
}

const makeBackup = async ({ db, today }: Till): Promise<Result<BackupRunRow, Failure>> => {
  const folder = folderOf()
  if (folder === null) return err({ code: 'no-backup-folder' })
  const name = backupName(new Date())
  try {
    await mkdir(folder, { recursive: true, mode: 0o700 })
    // The folder is known only where it runs: a build that looked for it would take the whole project along.
    const { bytes, rows } = await writeBackup(databaseUrl(), join(/* turbopackIgnore: true */ folder, name))
    await insertBackupRun(db, { onDay: today, ok: true, name, bytes: BigInt(bytes), rows })
    await thin(folder, today)
  } catch (problem) {
    log.error({ err: problem }, 'the backup failed')
    const said = problem instanceof Error ? problem.message.slice(0, 300) : 'unknown'
    await insertBackupRun(db, { onDay: today, ok: false, name, problem: said })
    return err({ code: 'backup-failed', why: said })
  }
  return ok(present((await listBackupRuns(db, 1))[0]))
}

/** The one that is being made, and the one that waits for it to end. */
let underWay: Promise<unknown> = Promise.resolve()
let waiting: ReturnType<typeof makeBackup> | null = null

/**
 * Backs everything up into the folder of backups, reads it back, and throws away older ones. What went wrong is kept, too. One is
 * made at a time: whoever asks meanwhile gets the next one, which holds what was done until they asked.
 */
export const backUp = (till: Till): Promise<Result<BackupRunRow, Failure>> => {
  waiting ??= underWay.then(() => {
    waiting = null
    return makeBackup(till)
  })
  underWay = waiting.catch(() => undefined)
  return waiting
}

/** Once each day, by itself: again after an hour where it failed. */
export const backUpNightly = async (till: Till): Promise<void> => {
  if (folderOf() === null) return
  // One that the owner asked for just now will do.
  await underWay
  const [last] = await listBackupRuns(till.db, 1)
  const lately = last && Date.now() - last.at.getTime() < 3_600_000
  if (last && last.on === till.today && (last.ok || lately)) return
  await backUp(till)
}

/** What is taken along: a file in a folder of its own; `done` throws it away. */
export interface ToTake {
  readonly path: string
  readonly name: string
  readonly done: () => Promise<void>
}

const toTake = async (name: string, write: (path: string) => Promise<unknown>): Promise<ToTake> => {
  const folder = await mkdtemp(join(tmpdir(), 'till-taken-'))
  const done = () => rm(folder, { recursive: true, force: true })
  const path = join(folder, name)
  try {
    await write(path)
    return { path, name, done }
  } catch (problem) {
    await done()
    throw problem
  }
}

/** A backup to take along. */
export const backUpToTake = (): Promise<ToTake> =>
  toTake(backupName(new Date()), (path) => writeBackup(databaseUrl(), path))

/** Everything as JSON, to take along. */
export const everythingToTake = (db: Database): Promise<ToTake> =>
  toTake('everything.json', async (path) => {
    const out = await open(path, 'wx', 0o600)
    try {
      await tellEverything(db, async (piece) => void (await out.write(piece)))
    } finally {
      await out.close()
    }
  })
