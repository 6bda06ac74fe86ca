import { threadId } from 'node:worker_threads'
import { expect, inject } from 'vitest'
import { day, type Day } from '@/core/day'
import { CONNECTIONS, connectAtMost, openDatabase, type Database } from '@/data/connect'
import { updateBusiness } from '@/data/queries/business'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import type { Command } from '@/services/command'
import { countStock } from '@/services/goods/countStock'
import { addGoods } from '@/services/goods/keepGoods'
import { addCustomer } from '@/services/people/keepCustomer'
import { copyDatabase } from '../setUp'
import { readTies } from '@/model/books/ties'
import { sentence } from '@/contract/sentences'

let made = 0
const open: { readonly name: string; readonly close: () => Promise<void> }[] = []

/** Closes and drops what the tests of a file opened: files share a worker, so nothing else ends its connections. */
export const dropDatabases = async (): Promise<void> => {
  const all = open.splice(0)
  await Promise.all(all.map(({ close }) => close()))
  const server = openDatabase(inject('clusterUrl'))
  for (const { name } of all) await server.db.execute(`drop database ${name} with (force)`)
  await server.close()
}

/** Before a file opens its business: as many connections as the program has, for hands that work at once. */
export const manyHands = (): void => connectAtMost(CONNECTIONS)

const nextName = (): string => `t${process.pid}_${threadId}_${Date.now().toString(36)}_${++made}`

/** A new database of the test cluster, its tables made; or a copy of another. */
export const freshDatabase = async (
  of?: string,
): Promise<{ db: Database; url: string; close: () => Promise<void> }> => {
  const name = nextName()
  const url = await copyDatabase(inject('clusterUrl'), name, of)
  const { db, close } = openDatabase(url)
  open.push({ name, close })
  return { db, url, close }
}

const SETUP = {
  name: 'Test',
  currency: 'USD',
  openingDate: '2026-01-01',
  passphrase: 'a long passphrase',
  taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.0825' }] }],
}
const TODAY = day('2026-03-01')

/** Opens a business in a new database, with the goods and the customer of every test. Answers their ids. */
const fill = async (shop: { readonly db: Database; readonly url: string; readonly today: Day }, setup: object) => {
  const run = async <I, A>(command: Command<I, A>, input: I): Promise<number> => {
    const done = await command.run(shop, input)
    if (!done.ok) throw new Error(sentence(done.error))
    return done.value
  }
  expect((await setUpBusiness(shop, { ...SETUP, ...setup })).ok).toBe(true)
  await updateBusiness(shop.db, { kinds: ['sales', 'repairs', 'rental'] })
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
  return { customer, violin, rosin, setUp }
}

const makeUsual = async () => {
  const name = nextName()
  const url = await copyDatabase(inject('clusterUrl'), name)
  const { db, close } = openDatabase(url)
  const ids = await fill({ db, url, today: TODAY }, {})
  await close()
  return { name, ids }
}
/** The business most tests are about, filled once a worker: theirs are copies. */
let usual: ReturnType<typeof makeUsual> | null = null

/** A small business to test with: sales tax 8.25 %, a violin and rosin on the shelf, work, and one customer on 30 days. */
export const openTestShop = async (setup?: Record<string, unknown>) => {
  const start = setup ? null : await (usual ??= makeUsual())
  const { db, url, close } = await freshDatabase(start?.name)
  const shop = { db, url, today: TODAY }
  const ids = start?.ids ?? (await fill(shop, setup ?? {}))
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
  const ties = async (asOf: Day = day('2199-01-01')) =>
    (await readTies(db, asOf, 'USD'))
      .filter((t) => t.difference.minor !== 0n)
      .map((t) => `${t.name}: ${t.difference.minor}`)
  /** Later papers are of this day: nothing may be dated after it. */
  const moveTo = (today: string): void => {
    shop.today = day(today)
  }
  return { ...shop, shop, run, answer, refusal, ties, moveTo, close, ...ids }
}
export type TestShop = Awaited<ReturnType<typeof openTestShop>>
