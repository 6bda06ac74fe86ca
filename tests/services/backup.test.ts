import { appendFileSync, mkdtempSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { createHash } from 'node:crypto'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import postgres from 'postgres'
import { afterAll, beforeAll, expect, inject, test, vi } from 'vitest'
import { backupName, keptBackups } from '@/core/backup'
import { addDays, day } from '@/core/day'
import { present } from '@/core/present'
import { headLine, MAGIC } from '@/data/backup/format'
import { checkBackup, restoreBackup } from '@/data/backup/restore'
import { writeBackup } from '@/data/backup/write'
import { listBackupRuns } from '@/data/queries/backupRuns'
import { backUp, backUpNightly } from '@/services/backup/backUp'
import { keepFile } from '@/services/files/keepFile'
import { takeReceipt } from '@/services/money/takeReceipt'
import { openSides } from './sidesDesk'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

let s: TestShop
const folder = mkdtempSync(join(tmpdir(), 'till-backup-'))
const path = join(folder, 'one.backup')
let made = 0

beforeAll(async () => {
  ;({ s } = await openSides())
  // Large enough that writing waits for the disk.
  const large = Buffer.alloc(2_900_000, 'Rosin').toString('base64')
  await s.run(keepFile, { ownerKind: 'goods', ownerId: s.violin, name: 'large.txt', base64: large })
  const base64 = Buffer.from([0, 1, 10, 13, 92, 46, 255]).toString('base64')
  await s.run(keepFile, { ownerKind: 'goods', ownerId: s.violin, name: 'a\\b\n.bin', base64 })
})
afterAll(() => rmSync(folder, { recursive: true }))

/** A database with nothing in it. */
const empty = async (): Promise<string> => {
  const name = `empty_${process.pid}_${++made}`
  const server = postgres(inject('clusterUrl'), { max: 1 })
  await server.unsafe(`create database ${name} template template0`)
  await server.end()
  return inject('clusterUrl').replace(/\/postgres$/, `/${name}`)
}

/** Every row of every table, as text. */
const everything = async (url: string): Promise<Record<string, string[]>> => {
  const client = postgres(url, { max: 1 })
  const tables = await client<{ name: string }[]>`
    select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`
  const all: Record<string, string[]> = {}
  for (const { name } of tables) {
    const rows = await client.unsafe<{ row: string }[]>(`select t::text as row from public."${name}" t order by 1`)
    if (name !== 'session') all[name] = rows.map((r) => r.row)
  }
  await client.end()
  return all
}

test('what is restored is the same, row by row and byte by byte, and goes on from there', async () => {
  const written = await writeBackup(s.url, path)
  expect(statSync(path).mode & 0o777).toBe(0o600)
  expect((await checkBackup(path)).rows).toBe(written.rows)
  const url = await empty()
  await restoreBackup(url, path)
  expect(await everything(url)).toEqual(await everything(s.url))
  const client = postgres(url, { max: 1 })
  const [file] = await client<{ body: Buffer }[]>`select body from file order by id desc limit 1`
  expect([...file!.body]).toEqual([0, 1, 10, 13, 92, 46, 255])
  // Its triggers stand: what is posted does not change.
  await expect(client`update entry set text = 'x'`).rejects.toThrow('posted rows do not change')
  await client.end()
  const before = await everything(url)
  await expect(restoreBackup(url, path)).rejects.toThrow('There is a business here already')
  expect(await everything(url)).toEqual(before)
})

test('work goes on while it is written, and it shows one moment', async () => {
  const [written] = await Promise.all([
    writeBackup(s.url, join(folder, 'two.backup')),
    s.run(takeReceipt, { customerId: s.customer, method: 'cash', amount: '5.00', for: 'account' }),
  ])
  expect((await checkBackup(written.path)).rows).toBe(written.rows)
})

test.each([
  ['one with bytes added', (copy: string) => appendFileSync(copy, 'x'), 'damaged'],
  ['one that was cut off', (copy: string) => truncateSync(copy, 5000), 'damaged'],
  [
    'one in which a byte was changed',
    (copy: string) => {
      const bytes = readFileSync(copy)
      bytes[3000] = bytes[3000]! ^ 1
      writeFileSync(copy, bytes)
    },
    'changed since',
  ],
  ['something else', (copy: string) => writeFileSync(copy, 'PK hello'), 'damaged'],
])('%s is refused and touches nothing', async (_, spoil, says) => {
  const copy = join(folder, 'spoiled.backup')
  writeFileSync(copy, readFileSync(path))
  spoil(copy)
  await expect(checkBackup(copy)).rejects.toThrow(says)
  const url = await empty()
  await expect(restoreBackup(url, copy)).rejects.toThrow(says)
  expect(await everything(url)).toEqual({})
})

/** A file that is signed as ours are, with a first line of somebody else's. */
const signed = (first: string): string => {
  const file = join(folder, 'signed.backup')
  const body = Buffer.concat([Buffer.from(first), gzipSync('-- rows 0\n')])
  const hash = createHash('sha256').update(body).digest('hex')
  writeFileSync(file, Buffer.concat([body, Buffer.from(`\nIRON-TILL-BACKUP-END ${body.length} ${hash}\n`)]))
  return file
}

test('one of a newer version is refused with what now', async () => {
  const newer = signed(headLine({ made: '2026-03-01T09:05:00.000Z', business: 'x', migrations: 9999 }))
  await expect(checkBackup(newer)).rejects.toThrow('newer version of Iron Till')
})

test.each([`${MAGIC} {"made":"x","business":"x","migrations":1}\n`, `${MAGIC} null\n`, `${MAGIC} {"made"\n`, 'x\n'])(
  'one that begins with %j is none, however well it is signed',
  async (first) => {
    await expect(checkBackup(signed(first))).rejects.toThrow('no backup of Iron Till')
  },
)

test('it is told when it was made, as it is read', async () => {
  expect((await checkBackup(path)).made).toMatch(/^\d{1,2} [A-Z][a-z]{2} \d{4}, \d\d:\d\d$/)
})

test('older ones are thinned: seven days, then weeks, then months', () => {
  const today = day('2026-11-26')
  const names = Array.from({ length: 500 }, (_, i) => backupName(new Date(`${addDays(today, -i)}T02:00:00Z`)))
  const kept = [...keptBackups([...names, 'holiday.jpg'], today)].map((n) => n.slice(10, 18)).sort()
  // Seven days up to the 26th; the newest of each of five weeks; the last day of each month back to a year.
  expect(kept.slice(-7)).toEqual(['20261120', '20261121', '20261122', '20261123', '20261124', '20261125', '20261126'])
  expect(kept.length).toBeGreaterThanOrEqual(20)
  expect(kept.length).toBeLessThanOrEqual(24)
  expect(kept).toContain('20261031')
  expect(kept).toContain('20260131')
  expect(kept).not.toContain('20260130')
  expect(kept).not.toContain('holiday.jpg')
})

test('a place that holds a business, however small, is not written over', async () => {
  const other = await openTestShop()
  await expect(restoreBackup(other.url, path)).rejects.toThrow('There is a business here already')
})

test('one is made at a time: who asks meanwhile gets the next one', async () => {
  vi.stubEnv('TILL_BACKUPS', join(folder, 'kept'))
  vi.stubEnv('DATABASE_URL', s.url)
  const till = { db: s.db, today: s.shop.today }
  const first = backUp(till)
  await Promise.resolve().then(() => undefined)
  const [one, two, three] = await Promise.all([first, backUp(till), backUp(till)])
  const tomorrow = { ...till, today: addDays(till.today, 1) }
  await Promise.all([backUp(tomorrow), backUpNightly(tomorrow)])
  vi.unstubAllEnvs()
  expect([one.ok, two.ok, three === two]).toEqual([true, true, true])
  const runs = await listBackupRuns(s.db, 10)
  // The night makes none where the owner asked for one just now.
  expect(runs.map((r) => [r.ok, r.on])).toEqual([tomorrow, till, till].map(({ today }) => [true, today]))
  expect(present(runs[0]).at.getTime()).toBeGreaterThan(present(runs[1]).at.getTime())
})
