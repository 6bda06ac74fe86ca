import { sql } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { day } from '@/core/day'
import type { Database } from '@/data/connect'
import { emptyHalfFilled, fillWhole } from '@/data/fillWhole'
import { migrate } from '@/data/migrate'
import { findBusiness } from '@/data/queries/business'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { freshDatabase } from './shop'

const fillIn = async (db: Database, demo: boolean) => {
  const setup = { name: 'Filled', currency: 'USD', passphrase: 'a long passphrase' }
  expect((await setUpBusiness({ db, today: day('2026-03-01') }, setup, { demo })).ok).toBe(true)
}
/** A filling that breaks off after the business was set up. */
const breakOff = (db: Database, demo: boolean) => {
  const filling = fillWhole(db, async () => {
    await fillIn(db, demo)
    throw new Error('cut short')
  })
  return expect(filling).rejects.toThrow('cut short')
}
const marks = async (db: Database) => (await db.execute(sql`select to_regnamespace('demo_under_way') as mark`))[0]?.mark

test('what was filled to its end stays', async () => {
  const { db } = await freshDatabase()
  expect(await fillWhole(db, () => fillIn(db, true).then(() => 7))).toBe(7)
  expect(await emptyHalfFilled(db)).toBe(false)
  expect((await findBusiness(db))?.name).toBe('Filled')
})

test('what was filled halfway is emptied, and can be filled again', async () => {
  const { db } = await freshDatabase()
  await breakOff(db, true)
  expect(await emptyHalfFilled(db)).toBe(true)
  await migrate(db)
  expect([await findBusiness(db), await marks(db), await emptyHalfFilled(db)]).toEqual([null, null, false])
  await fillWhole(db, () => fillIn(db, true))
  expect((await findBusiness(db))?.name).toBe('Filled')
})

test('cut short before its first row, or before there were tables, it is begun again', async () => {
  const { db } = await freshDatabase()
  await expect(fillWhole(db, () => Promise.reject(new Error('at once')))).rejects.toThrow('at once')
  await db.execute(sql`drop table business cascade`)
  expect(await emptyHalfFilled(db)).toBe(true)
  await migrate(db)
  expect(await findBusiness(db)).toBeNull()
})

test('somebody’s own business is never emptied, whatever broke off beside it', async () => {
  const { db } = await freshDatabase()
  await breakOff(db, false)
  expect(await emptyHalfFilled(db)).toBe(false)
  expect([(await findBusiness(db))?.name, await marks(db)]).toEqual(['Filled', null])
})
