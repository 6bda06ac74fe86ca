import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { open, stat } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { createGunzip } from 'node:zlib'

/**
 * A backup: a line that says what it is, the tables in plain SQL (as `psql` reads it) packed by gzip, and a line with the length and
 * SHA-256 of all before it. Whatever is cut off, changed or added is found before anything is touched.
 */
export const MAGIC = 'IRON-TILL-BACKUP 1'
const END = 'IRON-TILL-BACKUP-END'

export interface BackupHead {
  /** The moment it was made, in the time of the world. */
  readonly made: string
  readonly business: string
  /** How many migrations the tables are made of: a newer program reads it, an older one does not. */
  readonly migrations: number
}

export const headLine = (head: BackupHead): string => `${MAGIC} ${JSON.stringify(head)}\n`
export const endLine = (length: number, hash: string): string => `\n${END} ${length} ${hash}\n`

/** Why a file is not taken, in words. */
export class NotABackup extends Error {}

const readEnd = async (path: string): Promise<{ readonly length: number; readonly hash: string }> => {
  const { size } = await stat(path)
  const file = await open(path, 'r')
  try {
    const tail = Buffer.alloc(Math.min(size, 200))
    await file.read(tail, 0, tail.length, size - tail.length)
    const found = new RegExp(`\\n${END} (\\d+) ([0-9a-f]{64})\\n$`).exec(tail.toString('latin1'))
    const length = Number(found?.[1])
    if (!found?.[2] || length + found[0].length !== size)
      throw new NotABackup(
        'This file is damaged, was cut off, or is no backup of Iron Till. Take another one; nothing was changed.',
      )
    return { length, hash: found[2] }
  } finally {
    await file.close()
  }
}

const isHead = (head: Partial<Record<keyof BackupHead, unknown>> | null): head is BackupHead =>
  typeof head?.made === 'string' &&
  !Number.isNaN(Date.parse(head.made)) &&
  typeof head.business === 'string' &&
  Number.isSafeInteger(head.migrations)

/** What stands in the first line; null where it is none of ours, however well the file is signed. */
const parseHead = (text: string): BackupHead | null => {
  try {
    const head: unknown = JSON.parse(text)
    return typeof head === 'object' && isHead(head) ? head : null
  } catch {
    return null
  }
}

/** Where the packed part of a backup lies, and what it is of; refused where anything of it is not as it was written. */
export const readHead = async (path: string): Promise<BackupHead & { readonly from: number; readonly to: number }> => {
  const { length, hash } = await readEnd(path)
  const sum = createHash('sha256')
  let first = Buffer.alloc(0)
  for await (const chunk of createReadStream(path, { end: length - 1 })) {
    const bytes: Buffer = chunk
    sum.update(bytes)
    if (first.length < 4000) first = Buffer.concat([first, bytes.subarray(0, 4000)])
  }
  if (sum.digest('hex') !== hash)
    throw new NotABackup('This file was changed since it was written. Take another one; nothing was changed.')
  const newline = first.indexOf(0x0a)
  const line = first.subarray(0, newline).toString('utf8')
  const head = newline > 0 && line.startsWith(`${MAGIC} `) ? parseHead(line.slice(MAGIC.length)) : null
  if (!head) throw new NotABackup('This file is no backup of Iron Till that this version reads. Nothing was changed.')
  return { ...head, from: newline + 1, to: length - 1 }
}

/** The lines of SQL in a backup, one after the other. */
export const linesIn = (
  path: string,
  { from, to }: { readonly from: number; readonly to: number },
): AsyncIterable<string> => {
  const packed = createReadStream(path, { start: from, end: to })
  const plain = createGunzip()
  packed.on('error', (problem) => plain.destroy(problem))
  // COPY writes a line break inside a value as `\n`: a line is a row.
  return createInterface({ input: packed.pipe(plain), crlfDelay: 0 })
}

export const COPY_LINE = /^COPY public\."([a-z0-9_]+)" \(((?:"[a-z0-9_]+"(?:, )?)+)\) FROM stdin;$/
export const SEQUENCE_LINE = /^SELECT pg_catalog\.setval\('public\."([a-z0-9_]+)"', (\d+), true\);$/
export const ROWS_LINE = /^-- rows (\d+)$/

/** Reads a backup from end to end: how many rows are in it, and that they are all that were written. */
export const proveBackup = async (path: string): Promise<{ readonly head: BackupHead; readonly rows: number }> => {
  const head = await readHead(path)
  let rows = 0
  let said: number | null = null
  let copying = false
  for await (const line of linesIn(path, head)) {
    if (copying) {
      if (line === '\\.') copying = false
      else rows++
    } else if (COPY_LINE.test(line)) copying = true
    else said = Number(ROWS_LINE.exec(line)?.[1] ?? said)
  }
  if (copying || said !== rows)
    throw new NotABackup(
      `This backup holds ${rows} rows and says ${said ?? 'nothing'}. Take another one; nothing was changed.`,
    )
  return { head, rows }
}
