import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { once } from 'node:events'
import { migrate } from 'drizzle-orm/postgres-js/migrator'
import postgres from 'postgres'
import { formatMoment } from '@/core/day'
import { openDatabase } from '../connect'
import { DROP_ALL } from '../fillWhole'
import { COPY_LINE, linesIn, NotABackup, proveBackup, readHead, SEQUENCE_LINE } from './format'

const MIGRATIONS = fileURLToPath(new URL('../migrations', import.meta.url))

interface Journal {
  readonly entries: readonly { readonly tag: string }[]
}
const journalOf = (): Journal => JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8'))

/** Makes the tables as they were after so many migrations: those the backup was written from. */
const makeTables = async (url: string, count: number): Promise<void> => {
  const folder = mkdtempSync(join(tmpdir(), 'till-migrations-'))
  try {
    const journal = journalOf()
    const entries = journal.entries.slice(0, count)
    mkdirSync(join(folder, 'meta'))
    writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }))
    for (const { tag } of entries) cpSync(join(MIGRATIONS, `${tag}.sql`), join(folder, `${tag}.sql`))
    const { db, close } = openDatabase(url, { patient: true })
    await migrate(db, { migrationsFolder: folder }).finally(close)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Whether a database holds a business: it is never written over. */
const isInUse = async (client: postgres.Sql): Promise<boolean> => {
  const [table] = await client<{ there: boolean }[]>`select to_regclass('public.business') is not null as there`
  if (!table?.there) return false
  const [row] = await client<{ n: number }[]>`select count(*)::int as n from business`
  return (row?.n ?? 0) > 0
}

const dropAll = (client: postgres.Sql) => client.unsafe(DROP_ALL)

/** Reads a proven file into empty tables: rows, then the numbers they count from. Nothing else in it is carried out. */
const load = async (
  client: postgres.Sql,
  path: string,
  span: { readonly from: number; readonly to: number },
): Promise<void> => {
  const one = await client.reserve()
  try {
    await one`begin`
    // Triggers have done their work when the rows were written first.
    await one`set local session_replication_role = replica`
    let copy: NodeJS.WritableStream | null = null
    for await (const line of linesIn(path, span)) {
      if (copy) {
        if (line === '\\.') {
          const done = once(copy, 'finish')
          copy.end()
          await done
          copy = null
        } else if (!copy.write(`${line}\n`)) await once(copy, 'drain')
        continue
      }
      const table = COPY_LINE.exec(line)
      const sequence = SEQUENCE_LINE.exec(line)
      if (table) {
        await one.unsafe(`delete from public."${table[1]}"`)
        copy = await one.unsafe(`copy public."${table[1]}" (${table[2]}) from stdin`).writable()
      } else if (sequence) await one.unsafe(`select pg_catalog.setval('public."${sequence[1]}"', ${sequence[2]}, true)`)
      else if (!line.startsWith('-- '))
        throw new NotABackup('This backup holds something else than tables. Nothing was changed.')
    }
    await one`commit`
  } catch (problem) {
    await one`rollback`.catch(() => undefined)
    throw problem
  } finally {
    one.release()
  }
}

/** Reads a backup before anything is touched: refused where it is damaged, or newer than this program. When it was made is told as it is read. */
export const checkBackup = async (
  path: string,
): Promise<{ readonly business: string; readonly made: string; readonly rows: number }> => {
  const { head, rows } = await proveBackup(path)
  const known = journalOf().entries.length
  if (head.migrations > known)
    throw new NotABackup(
      `This backup was written by a newer version of Iron Till (tables ${head.migrations}, this one knows ${known}). Update the program first; nothing was changed.`,
    )
  return { business: head.business, made: formatMoment(new Date(head.made)), rows }
}

/** Restores a backup into a place that holds no business: all of it or nothing. Tables of an older version are brought up to date. */
export const restoreBackup = async (databaseUrl: string, path: string): Promise<void> => {
  const head = await readHead(path)
  const client = postgres(databaseUrl, { max: 1, onnotice: () => {} })
  try {
    if (await isInUse(client))
      throw new NotABackup(
        'There is a business here already, and it was not touched. Restore into an empty place: set TILL_HOME to another folder.',
      )
    try {
      await dropAll(client)
      await makeTables(databaseUrl, head.migrations)
      await load(client, path, head)
      await makeTables(databaseUrl, journalOf().entries.length)
    } catch (problem) {
      await dropAll(client)
      throw problem
    }
  } finally {
    await client.end({ timeout: 5 })
  }
}
