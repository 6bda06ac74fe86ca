import { expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { within } from '@/model/access/within'
import { openTestShop } from './shop'

/** As a machine does that is asleep, or lent to others. */
const standStill = (milliseconds: number): void => {
  for (const end = performance.now() + milliseconds; performance.now() < end;);
}

test('what answers in time is heard, also by a machine that stood still meanwhile', async () => {
  const { db } = await openTestShop()
  await db.execute(sql`select 1`)
  const answered = within(200, Promise.resolve(db.execute<{ n: number }>(sql`select 1 as n`)))
  standStill(600)
  expect((await answered)[0]!.n).toBe(1)
})

test('what does not answer in time fails then, not later', async () => {
  const began = performance.now()
  await expect(within(80, new Promise(() => {}))).rejects.toThrow()
  expect(performance.now() - began).toBeGreaterThanOrEqual(78)
})
