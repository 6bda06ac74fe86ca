import { expect, inject } from 'vitest'
import { day, type Day } from '@/core/day'
import { openDatabase, type Database } from '@/data/connect'
import { updateBusiness } from '@/data/queries/business'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import type { Command } from '@/services/command'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { addCustomer } from '@/services/people/keepCustomer'
import { TEMPLATE } from './setUp'
import { readTies } from '@/model/books/ties'
import { sentence } from '@/contract/sentences'

let made = 0
const open: (() => Promise<void>)[] = []

/** Closes what the tests of a file opened: files share a worker, so nothing else ends its connections. */
export const closeDatabases = async (): Promise<void> => {
  await Promise.all(open.splice(0).map((close) => close()))
}

/** A new database of the test cluster, its tables made: a copy of the one that was migrated once for all. */
export const freshDatabase = async (): Promise<{ db: Database; url: string; close: () => Promise<void> }> => {
  const name = `t${process.pid}_${Date.now().toString(36)}_${++made}`
  const server = openDatabase(inject('clusterUrl'))
  await server.db.execute(`create database ${name} template ${TEMPLATE}`)
  await server.close()
  const url = inject('clusterUrl').replace(/\/postgres$/, `/${name}`)
  const { db, close } = openDatabase(url)
  open.push(close)
  return { db, url, close }
}

/** A small business to test with: sales tax 8.25 %, a violin and rosin on the shelf, work, and one customer on 30 days. */
export const openTestShop = async (setup: Record<string, unknown> = {}) => {
  const { db, url, close } = await freshDatabase()
  const shop = { db, url, today: day('2026-03-01') as Day }
  const opened = await setUpBusiness(shop, {
    name: 'Test',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: 'a long passphrase',
    taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.0825' }] }],
    ...setup,
  })
  expect(opened.ok).toBe(true)
  await updateBusiness(db, { kinds: ['sales', 'repairs', 'rental'] })
  const run = async <I, A>(command: Command<I, A>, input: I): Promise<number> => {
    const done = await command.run(shop, input)
    if (!done.ok) throw new Error(sentence(done.error))
    return done.value
  }
  const answer = async <I, A>(command: Command<I, A>, input: I, key: string | null = null): Promise<A> => {
    const done = await command.answer(shop, input, key)
    if (!done.ok) throw new Error(sentence(done.error))
    return done.value
  }
  const refusal = async <I, A>(command: Command<I, A>, input: unknown): Promise<string> => {
    const done = await command.answer(shop, input, null)
    return done.ok ? 'not refused' : done.error.code
  }
  const customer = await run(addCustomer, { name: 'Hazel Adair', terms: { net: 30 } })
  const violin = await run(addGoods, { code: 'VN', name: 'Violin', kind: 'stock', price: '1000.00' })
  const rosin = await run(addGoods, { code: 'RO', name: 'Rosin', kind: 'stock', price: '12.50' })
  const setUp = await run(addGoods, { code: 'WO', name: 'Set-up', kind: 'work', price: '72.00' })
  await run(countStock, {
    on: '2026-01-01',
    lines: [
      { goodsId: violin, counted: '5', unitCost: '600.00' },
      { goodsId: rosin, counted: '20', unitCost: '6.00' },
    ],
  })
  const ties = async (asOf: Day = day('2199-01-01')) =>
    (await readTies(db, asOf, 'USD'))
      .filter((t) => t.difference.minor !== 0n)
      .map((t) => `${t.name}: ${t.difference.minor}`)
  /** Later papers are of this day: nothing may be dated after it. */
  const moveTo = (today: string): void => {
    shop.today = day(today)
  }
  return { ...shop, shop, run, answer, refusal, ties, moveTo, close, customer, violin, rosin, setUp }
}
export type TestShop = Awaited<ReturnType<typeof openTestShop>>
