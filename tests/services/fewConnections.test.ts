import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { openDatabase } from '@/data/connect'
import { databaseError } from '@/data/databaseError'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

const ROLE = `few_${process.pid}_${Date.now().toString(36)}`

let s: TestShop
let few: ReturnType<typeof openDatabase>
beforeAll(async () => {
  s = await openTestShop()
  await s.db.execute(`create role ${ROLE} login connection limit 2`)
  const url = new URL(s.url)
  url.username = ROLE
  few = openDatabase(url.href)
})
afterAll(async () => {
  await few.close()
  await s.db.execute(`drop role ${ROLE}`)
})

/** Two, of those that many ask for at once, each in its time. */
const ASKED = Array.from({ length: 24 }, (_, i) => i)
const ask = async (n: number): Promise<unknown> => {
  const [row] = await few.db.execute<{ n: number }>(sql`select ${n}::int as n from pg_sleep(0.01)`)
  return row?.n
}
const askWithin = (n: number): Promise<unknown> =>
  few.db.transaction(async (tx) => {
    const [row] = await tx.execute<{ n: number }>(sql`select ${n}::int as n from pg_sleep(0.01)`)
    return row?.n
  })

describe('a server that gives us fewer connections than we would open', () => {
  test('is asked over those it gives: whoever finds none free waits for one', async () => {
    expect(await Promise.all(ASKED.map(ask))).toEqual(ASKED)
    expect(await Promise.all(ASKED.map((n) => (n % 2 ? ask : askWithin)(n)))).toEqual(ASKED)
    const [there] = await s.db.execute<{ n: number }>(
      sql`select count(*)::int as n from pg_stat_activity where usename = ${ROLE}`,
    )
    expect(there?.n).toBe(2)
  })

  test('and gives none at all: whoever asks is told so', async () => {
    await few.close()
    await s.db.execute(`alter role ${ROLE} connection limit 0`)
    const url = new URL(s.url)
    url.username = ROLE
    few = openDatabase(url.href)
    const told = await Promise.allSettled([...ASKED.map(ask), askWithin(1)])
    expect(new Set(told.map((t) => (t.status === 'rejected' ? databaseError(t.reason)?.code : 'answered')))).toEqual(
      new Set(['53300']),
    )
  })
})
