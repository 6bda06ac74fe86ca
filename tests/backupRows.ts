import { expect } from 'vitest'
import { COPY_LINE, linesIn, proveBackup, readHead } from '@/data/backup/format'

/** The rows of a backup as they stand in it, by table; the backup is proved to be whole. */
export const rowsIn = async (path: string): Promise<ReadonlyMap<string, readonly string[]>> => {
  const tables = new Map<string, string[]>()
  let table: string[] | null = null
  for await (const line of linesIn(path, await readHead(path))) {
    const [, name] = COPY_LINE.exec(line) ?? []
    if (table === null && name !== undefined) tables.set(name, (table = []))
    else if (line === '\\.') table = null
    else table?.push(line)
  }
  const { rows } = await proveBackup(path)
  expect([...tables.values()].reduce((sum, all) => sum + all.length, 0)).toBe(rows)
  return tables
}
