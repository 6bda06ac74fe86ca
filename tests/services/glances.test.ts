import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/postgres-js'
import postgres from 'postgres'
import { beforeAll, afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { present } from '@/core/present'
import { openDatabase } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { forgetLooks, listSeen, readChanges } from '@/data/queries/glances'
import { countStagesAnew, countStands } from '@/data/queries/sales'
import { lookAhead } from '@/clockwork/lookAhead'
import { changeMemory, recall } from '@/model/sale/glanceMemory'
import { readGlances } from '@/model/sale/readGlances'
import { readStories } from '@/model/sale/readStories'
import { readToday } from '@/model/today/today'
import { changeSettings } from '@/services/access/changeSettings'
import { adjustStock } from '@/services/goods/adjustStock'
import { takeReceipt } from '@/services/money/takeReceipt'
import { changeCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { dropNext } from '@/services/sales/markNext'
import { setAsideByHand } from '@/services/sales/setAside'
import { startSale } from '@/services/sales/startSale'
import { looksThatAreOff } from './history/looks'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

/** Three orders: five violins lie there; the first wants four of them, the second two, the third wants a set-up alone. */
let s: TestShop
let [first, second, third] = [0, 0, 0]
beforeEach(async () => {
  s = await openTestShop()
  const sell = (goodsId: number, quantity: string, on: string) =>
    s.run(startSale, { customerId: s.customer, agreed: true, on, lines: [{ goodsId, quantity }] })
  first = await sell(s.violin, '4', '2026-02-01')
  second = await sell(s.violin, '2', '2026-02-02')
  third = await sell(s.setUp, '1', '2026-02-03')
})
afterEach(() => s.close())

const business = async () => present(await findBusiness(s.db))
const look = async (today = s.shop.today) => readGlances(s.db, [first, second, third], await business(), today)
/** The sales whose kept look would be taken now. */
const kept = async (today = s.shop.today): Promise<number[]> =>
  (await listSeen(s.db, [first, second, third], today)).flatMap((x) => (x.told === null ? [] : [x.sale.id])).sort()
const nextOf = async () => (await look()).map((g) => g.next.map((n) => n.action))

describe('a kept look at a sale', () => {
  test('is taken until something it was told from changes, and then only those it changes are told anew', async () => {
    expect(await kept()).toEqual([])
    const told = await look()
    expect(await kept()).toEqual([first, second, third])
    expect(await look()).toEqual(told)

    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'transfer',
      amount: '20.00',
      for: [{ saleId: third, amount: '20.00' }],
    })
    expect(await kept()).toEqual([first, second])
    expect((await look()).map((g) => toDecimalString(g.held))).toEqual(['0.00', '0.00', '20.00'])

    await s.run(dropNext, { saleId: third, action: 'hand-over', reason: 'They wait for it' })
    expect(await kept()).toEqual([first, second])
    expect((await look())[2]?.putAside.map((p) => p.reason)).toEqual(['They wait for it'])
  })

  test('is told anew when another sale, or the shelf, takes what it waits for', async () => {
    expect(await nextOf()).toEqual([['hand-over'], ['hand-over', 'buy'], ['hand-over']])
    await s.run(adjustStock, { reason: 'Broken', lines: [{ goodsId: s.violin, change: '-1' }] })
    expect(await kept()).toEqual([third])
    expect(await nextOf()).toEqual([['hand-over'], ['buy'], ['hand-over']])
    await s.run(setAsideByHand, { saleId: second, turn: 'first' })
    expect(await kept()).toEqual([third])
    expect(await nextOf()).toEqual([['hand-over', 'buy'], ['hand-over'], ['hand-over']])
    await s.run(handOver, { saleId: second })
    expect(await kept()).toEqual([third])
    expect(await looksThatAreOff(s, s.shop.today)).toEqual([])
  })

  test('holds for its day alone, and for the settings it was told with; names are never kept', async () => {
    await look()
    await s.run(changeCustomer, { customerId: s.customer, name: 'Hazel Adair-Finch' })
    expect(await kept()).toEqual([first, second, third])
    expect((await look())[0]?.sale.customerName).toBe('Hazel Adair-Finch')
    await s.run(changeSettings, { taxOnDeposits: true })
    expect(await kept()).toEqual([])
    await look()
    expect(await kept(day('2026-03-02'))).toEqual([])
    await s.db.execute(
      sql`update kept.glance set build = 'another', told = 'what that one writes' where sale_id = ${first}`,
    )
    expect(await kept()).toEqual([second, third])
    expect(await nextOf()).toHaveLength(3)
  })

  test('is not taken where somebody was changing the sale while it was told', async () => {
    await s.db
      .transaction(async (tx) => {
        await tx.execute(sql`update sale set title = 'Under way' where id = ${first}`)
        await tx.execute(sql`update sale_line set quantity = 3, agreed = 3 where sale_id = ${first}`)
        // Who looks meanwhile does not wait, sees what was before, and keeps it.
        expect(toDecimalString(present((await look())[0]).bar.total)).toBe('4330.00')
        expect(await kept()).toEqual([first, second, third])
      })
      .then(async () => expect(await kept()).toEqual([third]))
    expect(toDecimalString(present((await look())[0]).bar.total)).toBe('3247.50')
  })

  test('is the same for many who look at once, and needs nothing that can be written', async () => {
    const all = await Promise.all(Array.from({ length: 12 }, () => look()))
    expect(new Set(all.map((x) => JSON.stringify(x, (_, v) => (typeof v === 'bigint' ? String(v) : v)))).size).toBe(1)
    await s.db.execute(sql`delete from kept.glance`)
    const reading = postgres(s.url, { max: 2, connection: { default_transaction_read_only: true } })
    const db = drizzle(reading, { casing: 'snake_case' })
    expect(await readGlances(db, [first, second, third], await business(), s.shop.today)).toEqual(all[0])
    expect(await kept()).toEqual([])
    await reading.end()
  })

  test('comes from tables that all tell when they change', async () => {
    const asked: string[] = []
    const client = postgres(s.url, { max: 2 })
    const db = drizzle(client, {
      casing: 'snake_case',
      logger: { logQuery: (query) => void asked.push(query) },
    })
    await readStories(db, [first, second, third], await business(), s.shop.today)
    await client.end()
    const named = (query: string) => [...query.matchAll(/\b(?:from|join)\s+"?([a-z_]+)"?/g)].map((m) => m[1])
    const [{ names }] = (await s.db.execute(
      sql`select array_agg(relname::text) as names from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace`,
    )) as unknown as [{ names: string[] }]
    const read = [...new Set(asked.flatMap(named))].filter((n) => n !== undefined && names.includes(n)).sort()
    const telling = await s.db.execute<{ name: string }>(sql`
      select distinct t.tgrelid::regclass::text as name from pg_trigger t join pg_proc p on p.oid = t.tgfoid
       where p.proname like '%\_changes\_sale' or p.proname like '%\_changes\_goods' or p.proname = 'house_changes'`)
    const quiet = read.filter((name) => !telling.some((t) => t.name === name))
    // A customer's name is read beside the look, not kept in it.
    expect(quiet).toEqual(['customer'])
    expect(read).toEqual(expect.arrayContaining(['due', 'held', 'invoice', 'sale_line', 'shelf', 'tax_code']))
  })
})

test('old looks and changes that all have seen are thrown away', async () => {
  await look()
  const count = async (table: 'change' | 'glance') =>
    present((await s.db.execute<{ n: number }>(sql`select count(*)::int as n from kept.${sql.identifier(table)}`))[0]).n
  expect(await count('glance')).toBe(3)
  await forgetLooks(s.db, s.shop.today)
  expect(await count('glance')).toBe(3)
  expect(await count('change')).toBeGreaterThan(0)
  // What nobody has looked at since stays noted, and what it changes is told anew.
  await s.run(adjustStock, { reason: 'Broken', lines: [{ goodsId: s.violin, change: '-1' }] })
  await forgetLooks(s.db, s.shop.today, 0)
  expect(await kept()).toEqual([third])
  await look()
  await forgetLooks(s.db, s.shop.today, 0)
  // Who looked at the third before it has not seen it: it stays noted. What began long before any look does not.
  await s.db.execute(sql`insert into kept.change (what, id, by) values ('s', ${third}, '4')`)
  const before = await count('change')
  await forgetLooks(s.db, s.shop.today, 0)
  expect(await count('change')).toBeLessThan(before)
  expect(await count('change')).toBeGreaterThan(0)
  expect(await kept()).toEqual([first, second, third])
  await forgetLooks(s.db, day('2026-03-02'))
  expect(await count('glance')).toBe(0)
})

test('the first tick of a day looks at every unfinished sale, and counts anew', async () => {
  await s.db.execute(sql`insert into stage_count (stage, count) values ('settled', 7)`)
  expect(await countStands(s.db, s.shop.today)).toEqual({ agreed: 3, settled: 7 })
  await lookAhead(s.db, await business(), s.shop.today)
  expect(await countStands(s.db, s.shop.today)).toEqual({ agreed: 3 })
  expect(await kept()).toEqual([first, second, third])
  const { waiting } = await readToday(s.db, await business(), s.shop.today)
  expect(waiting.map((w) => w.glance.sale.id).sort()).toEqual([first, second, third])
  await s.db.execute(sql`delete from kept.glance`)
  await lookAhead(s.db, await business(), s.shop.today)
  expect(await kept()).toEqual([])
  // Servers that begin a day at once count it once.
  const others = [1, 2, 3].map(() => openDatabase(s.url))
  await Promise.all([s, ...others].map(({ db }) => countStagesAnew(db)))
  expect(await countStands(s.db, s.shop.today)).toEqual({ agreed: 3 })
  await Promise.all(others.map(({ close }) => close()))
})

describe('what a server remembers of looks', () => {
  /** A server of its own, and what it asks the database. */
  const openListening = () => {
    const asked: string[] = []
    const client = postgres(s.url, { max: 2 })
    const db = drizzle(client, { casing: 'snake_case', logger: { logQuery: (query) => void asked.push(query) } })
    const ask = async () => {
      asked.length = 0
      const glances = await readGlances(db, [first, second, third], await business(), s.shop.today)
      return { glances, statements: asked.length, looks: asked.filter((query) => query.includes('kept.glance')).length }
    }
    return { ask, close: () => client.end() }
  }

  test('is asked for what changed since alone: nothing is read again, or what another server changed', async () => {
    const server = openListening()
    await server.ask()
    const again = await server.ask()
    expect([again.statements, again.looks]).toEqual([1, 0])
    await s.run(dropNext, { saleId: third, action: 'hand-over', reason: 'They wait for it' })
    const changed = await server.ask()
    expect(changed.looks).toBeGreaterThan(0)
    expect(changed.glances[2]?.putAside.map((p) => p.reason)).toEqual(['They wait for it'])
    expect((await server.ask()).statements).toBe(1)
    // A name, the shelf, the house.
    await s.run(changeCustomer, { customerId: s.customer, name: 'Hazel Adair-Finch' })
    expect((await server.ask()).glances.map((g) => g.sale.customerName)).toEqual(Array(3).fill('Hazel Adair-Finch'))
    await s.run(adjustStock, { reason: 'Broken', lines: [{ goodsId: s.violin, change: '-1' }] })
    expect((await server.ask()).glances.map((g) => g.next.map((n) => n.action))).toEqual([['hand-over'], ['buy'], []])
    await s.run(changeSettings, { taxOnDeposits: true })
    expect((await server.ask()).looks).toBeGreaterThan(0)
    await server.close()
  })

  test('is forgotten where the database is another one, as after everything was restored', async () => {
    const server = openListening()
    await server.ask()
    await s.db.execute(sql`alter table sale disable trigger user`)
    await s.db.execute(sql`update sale set title = 'Of the backup' where id = ${first}`)
    await s.db.execute(sql`alter table sale enable trigger user`)
    expect((await server.ask()).glances[0]?.sale.title).not.toBe('Of the backup')
    await s.db.execute(sql`create table kept.another (like kept.change including all)`)
    await s.db.execute(sql`drop table kept.change`)
    await s.db.execute(sql`alter table kept.another rename to change`)
    expect((await server.ask()).glances[0]?.sale.title).toBe('Of the backup')
    await server.close()
  })

  test('is only asked for what is known: not of a moment to come, or of long ago', async () => {
    const { now } = await readChanges(s.db, null)
    expect((await readChanges(s.db, now)).since).toEqual([])
    const xmin = Number(now.seen.split(':')[0])
    expect((await readChanges(s.db, { ...now, seen: `${xmin + 50}:${xmin + 50}:` })).since).toBeNull()
    expect((await readChanges(s.db, { ...now, of: 'another' })).since).toBeNull()
    await s.db.transaction(async (tx) => {
      await tx.execute(sql`update sale set title = 'Under way' where id = ${first}`)
      expect((await readChanges(s.db, now)).since).toEqual([])
    })
    expect((await readChanges(s.db, now)).since).toEqual([['s', first]])
  })

  test('is not replaced by who began before somebody else ended', async () => {
    const { db, close } = openDatabase(s.url)
    const [glance] = await readGlances(db, [first], await business(), s.shop.today)
    const before = present(recall(db))
    const later = { now: { ...before.at, seen: '9:9:' }, since: [], today: before.today }
    const slow = changeMemory(before, { ...later, now: before.at })
    const quick = changeMemory(before, { ...later, since: [['s', first]] as const })
    quick.keep(db, [first], new Map())
    // What the slow one looked at may be of before that change: they get it, and nobody else does.
    expect(slow.keep(db, [first], new Map()).get(first)?.glance).toEqual(glance)
    expect(recall(db)).toEqual({ today: before.today, at: later.now, looks: new Map() })
    await close()
  })
})
