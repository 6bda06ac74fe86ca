import { afterAll, expect, test } from 'vitest'
import { addDays, day } from '@/core/day'
import { isZeroMoney } from '@/core/money'
import { readTies } from '@/model/books/ties'
import { businessDate } from '@/services/clock'
import { loadDemo } from '../../demo/load'
import { dropDatabases, freshDatabase } from '../services/shop'

/**
 * `npm run demos`: the demo is made for each of many days, since its chance goes another way on each. TILL_FROM is the first (today),
 * TILL_DAYS how many (14); a minute each.
 */
const FROM = process.env.TILL_FROM ? day(process.env.TILL_FROM) : businessDate()
const DAYS = Array.from({ length: Number(process.env.TILL_DAYS ?? 14) }, (_, i) => addDays(FROM, i))

afterAll(dropDatabases)

test.each(DAYS)('the demo of %s goes through, and its ties are zero', { timeout: 600_000 }, async (on) => {
  const { db } = await freshDatabase()
  const loaded = await loadDemo(db, on)
  expect(loaded.sales).toBeGreaterThan(500)
  const apart = (await readTies(db, on, 'USD')).filter((t) => !isZeroMoney(t.difference))
  expect(apart.map((t) => t.name)).toEqual([])
})
