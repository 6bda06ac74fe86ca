import { createHash } from 'node:crypto'
import type { Socket } from 'node:net'
import { createWriteStream } from 'node:fs'
import { rename, rm, stat } from 'node:fs/promises'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import postgres from 'postgres'
import { socketsTo } from '../socket'
import journal from '../migrations/meta/_journal.json'
import { endLine, headLine, proveBackup } from './format'

/** What is in no backup: who is signed in. (And the whole schema `kept`.) */
const LEFT_OUT = new Set(['session'])

const quoted = (name: string): string => `"${name}"`

/** All tables and the numbers they count from, as SQL, as they stand at one moment: work goes on meanwhile. */
async function* everyTable(client: postgres.ReservedSql, goOn: () => void): AsyncGenerator<Buffer | string> {
  const tables = await client<{ name: string; columns: string[] }[]>`
    select c.table_name as name, array_agg(c.column_name::text order by c.ordinal_position) as columns
      from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
     where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER' group by 1 order by 1`
  let rows = 0
  for (const { name, columns } of tables) {
    if (LEFT_OUT.has(name)) continue
    const list = columns.map(quoted).join(', ')
    yield `COPY public.${quoted(name)} (${list}) FROM stdin;\n`
    const copy = await client.unsafe(`copy public.${quoted(name)} (${list}) to stdout`).readable()
    for await (const chunk of copy) {
      const bytes: Buffer = chunk
      for (const byte of bytes) if (byte === 0x0a) rows++
      yield bytes
    }
    // The client may leave its socket paused behind the last rows; nothing would be heard on it any more.
    goOn()
    yield '\\.\n'
  }
  const sequences = await client<{ name: string; last: string | null }[]>`
    select sequencename as name, last_value::text as last from pg_sequences where schemaname = 'public' order by 1`
  for (const { name, last } of sequences)
    if (last !== null) yield `SELECT pg_catalog.setval('public.${quoted(name)}', ${last}, true);\n`
  yield `-- rows ${rows}\n`
}

export interface WrittenBackup {
  readonly path: string
  readonly bytes: number
  readonly rows: number
}

/**
 * Writes all there is to a file that its owner alone may read, while the program runs, and reads it back from end to end. The file has
 * its name only when it is whole; one that was there before under that name stays until then.
 */
export const writeBackup = async (databaseUrl: string, path: string): Promise<WrittenBackup> => {
  let socket: Socket | null = null
  const to = socketsTo(databaseUrl)
  const client = postgres(databaseUrl, {
    max: 1,
    onnotice: () => {},
    connection: { application_name: 'iron-till backup' },
    ...to,
    socket: async () => (socket = await to.socket()),
  } as postgres.Options<Record<string, never>>)
  const part = `${path}.part`
  try {
    await rm(part, { force: true })
    const one = await client.reserve()
    const out = createWriteStream(part, { flags: 'wx', mode: 0o600 })
    const hash = createHash('sha256')
    let length = 0
    const note = (bytes: Buffer): Buffer => {
      hash.update(bytes)
      length += bytes.length
      return bytes
    }
    const noting = new Transform({ transform: (chunk: Buffer, _, done) => done(null, note(chunk)) })
    try {
      await one`begin isolation level repeatable read read only`
      const [business] = await one<{ name: string }[]>`select name from business`
      const head = {
        made: new Date().toISOString(),
        business: business?.name ?? '',
        migrations: journal.entries.length,
      }
      out.write(note(Buffer.from(headLine(head))))
      await pipeline(Readable.from(everyTable(one, () => socket?.resume())), createGzip({ level: 6 }), noting, out, {
        end: false,
      })
      await one`commit`
      await new Promise<void>((done, fail) => {
        out.once('error', fail)
        out.end(endLine(length, hash.digest('hex')), done)
      })
    } finally {
      out.destroy()
      one.release()
    }
    const { rows } = await proveBackup(part)
    await rename(part, path)
    return { path, bytes: (await stat(path)).size, rows }
  } catch (problem) {
    await rm(part, { force: true })
    throw problem
  } finally {
    await client.end({ timeout: 5 })
  }
}
