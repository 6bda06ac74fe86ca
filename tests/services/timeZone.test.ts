import { afterAll, afterEach, beforeAll, beforeEach, expect, test, vi } from 'vitest'
import { day, liveIn } from '@/core/day'
import { findBusiness } from '@/data/queries/business'
import { changeSettings } from '@/services/access/changeSettings'
import { lastNight } from '@/services/access/session'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { businessDate, businessToday } from '@/services/clock'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { freshDatabase, openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())
beforeEach(() => vi.useFakeTimers({ toFake: ['Date'] }))
afterEach(() => {
  vi.useRealTimers()
  liveIn('')
})

test('a receipt of the evening is of that day where the business is, and not of the next one', async () => {
  // Half past seven in Chicago, and half past one of the next night where the server stands.
  vi.setSystemTime('2026-03-02T01:30:00Z')
  await s.run(changeSettings, { timeZone: 'America/Chicago' })
  expect((await findBusiness(s.db))?.timeZone).toBe('America/Chicago')
  expect(businessDate()).toBe('2026-03-01')
  const lines = [{ description: 'Rosin', quantity: '1', unitPrice: '5.00' }]
  const sold = await sellAtCounter.answer({ ...s.shop, today: businessDate() }, { method: 'cash', lines }, null)
  expect(sold.ok && sold.value.on).toBe('2026-03-01')
  vi.setSystemTime('2026-03-02T06:00:00Z')
  expect(businessDate()).toBe('2026-03-02')
  // Nobody is sent to the door in the evening: sessions end at three in the night there, nine in the morning in London.
  expect(lastNight(new Date()).toISOString()).toBe('2026-03-15T08:00:00.000Z')
  expect(await s.refusal(changeSettings, { timeZone: 'Chicago' })).toBe('invalid')
})

test('a server that just started knows the day before it answers', async () => {
  vi.setSystemTime('2026-03-02T01:30:00Z')
  await s.run(changeSettings, { timeZone: 'Pacific/Auckland' })
  Reflect.deleteProperty(globalThis, 'iron-till/time-zone')
  expect(await businessToday(s.db)).toBe('2026-03-02')
  await s.run(changeSettings, { timeZone: 'Pacific/Honolulu' })
  Reflect.deleteProperty(globalThis, 'iron-till/time-zone')
  expect(await businessToday(s.db)).toBe('2026-03-01')
})

test('books that are set up in the evening open on the day it is there: what is sold at once can be posted', async () => {
  vi.setSystemTime('2026-03-02T01:30:00Z')
  const opens = async (given: object) => {
    liveIn('')
    const { db, close } = await freshDatabase()
    const setup = { name: 'New', currency: 'USD', passphrase: 'a long passphrase', ...given }
    const made = await setUpBusiness({ db, today: day('2026-03-02') }, setup)
    await close()
    return made.ok && made.value.openingDate
  }
  // As the page asks: today, as the server knows it.
  expect(await opens({ timeZone: 'America/Chicago', openingDate: '2026-03-02' })).toBe('2026-03-01')
  expect(await opens({ timeZone: 'Asia/Tokyo' })).toBe('2026-03-02')
  expect(await opens({ timeZone: 'America/Chicago', openingDate: '2026-01-01' })).toBe('2026-01-01')
  expect(await opens({ timeZone: 'Mars/Base', openingDate: '2026-01-01' })).toBe(false)
})
