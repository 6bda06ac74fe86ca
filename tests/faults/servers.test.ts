import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import postgres from 'postgres'
import { openDatabase } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { startPair } from '../pair'
import { startServers } from '../servers'
import { startHands } from './hands'
import { ask, eventually, PASSPHRASE, persist, signIn, TOKEN, type Answered } from './till'

const DAY = '2026-03-10'

let pair: Awaited<ReturnType<typeof startPair>>
let servers: Awaited<ReturnType<typeof startServers>>
let admin: postgres.Sql
let [customerId, goodsId] = [0, 0]

const call = (port: number, method: string, path: string, body?: unknown, key?: string): Promise<Answered> =>
  ask(port, method, `/api/v1${path}`, body, key)
/** To whichever server is next. */
const any = (method: string, path: string, body?: unknown, key?: string) => call(servers.port, method, path, body, key)

const tiesAreOff = async (): Promise<unknown[]> =>
  (await any('GET', '/books/ties')).body.ties.filter((t: { difference: string }) => Number(t.difference) !== 0)

/** Whoever holds the lock that says who does what happens by itself. */
const keepers = async (): Promise<number[]> =>
  (
    await admin<{ pid: number }[]>`
      select pid from pg_locks where locktype = 'advisory' and objid = 7230115 and granted`
  ).map(({ pid }) => pid)

beforeAll(async () => {
  pair = await startPair()
  const { db, close } = openDatabase(pair.url)
  await migrate(db)
  await close()
  servers = await startServers(3, pair.url, {
    TILL_API_TOKEN: TOKEN,
    TILL_TODAY: DAY,
    TILL_SEAL_KEY: 'one key for all of them',
    DATABASE_READ_URL: pair.follower,
  })
  admin = postgres(pair.written, { max: 1 })
  await any('POST', '/setup', { name: 'Three', currency: 'USD', passphrase: PASSPHRASE, openingDate: '2026-01-01' })
  customerId = (await any('POST', '/customers', { name: 'Hazel', email: 'hazel@mail.example' })).body.id
  goodsId = (await any('POST', '/goods', { code: 'A', name: 'Bow', kind: 'stock', price: '10.00', onShopfront: true }))
    .body.id
  await any('POST', '/stock-counts', { on: '2026-01-02', lines: [{ goodsId, counted: '500', unitCost: '4.00' }] })
})
afterAll(async () => {
  servers?.close()
  await admin?.end({ timeout: 1 })
  await pair?.close()
})

describe('three servers of one business', () => {
  test('one key sent to all of them at once is one receipt, told alike', async () => {
    const body = { customerId, method: 'cash', amount: '25.00' }
    const told = await Promise.all(servers.ports.map((port) => call(port, 'POST', '/receipts', body, 'three windows')))
    expect(told.map(({ status }) => status)).toEqual([201, 201, 201])
    expect(new Set(told.map(({ body: { number } }) => number)).size).toBe(1)
    expect((await any('GET', '/receipts')).body.items).toHaveLength(1)
  })

  test('thirty hands through the proxy overfill nothing, and numbers have no gaps', async () => {
    const { id: saleId } = (
      await any('POST', '/sales', { customerId, agreed: true, lines: [{ goodsId, quantity: '10' }] })
    ).body
    const hands = await Promise.all(
      Array.from({ length: 30 }, (_, i) => {
        const [path, body] =
          i % 3 === 0
            ? [`/sales/${saleId}/handovers`, {}]
            : i % 3 === 1
              ? [`/sales/${saleId}/invoices`, { what: { percent: '20' }, issue: true }]
              : ['/receipts', { customerId, method: 'cash', amount: '1.00' }]
        return persist(() => any('POST', path, body, `hand ${i}`))
      }),
    )
    expect(hands.filter(({ status }) => status >= 500 || status === 0)).toEqual([])
    // All goods go with the first handover; five invoices of 20 % are the whole.
    expect(hands.filter(({ status }, i) => i % 3 === 0 && status === 200)).toHaveLength(1)
    const invoices = hands.filter(({ status }, i) => i % 3 === 1 && status < 300)
    expect(invoices).toHaveLength(5)
    const numbers = (await any('GET', '/invoices')).body.items
      .map(({ number }: { number: string }) => Number(/\d+$/.exec(number)![0]))
      .sort((a: number, b: number) => a - b)
    expect(numbers).toEqual(numbers.map((_: number, i: number) => numbers[0] + i))
    expect(await tiesAreOff()).toEqual([])
  })

  test('whoever signs in at one is signed in at all, and guessing is no faster for asking all three', async () => {
    const cookie = (await signIn(servers.ports[0]!)).headers.get('set-cookie')!.split(';')[0]!
    for (const port of servers.ports) {
      const page = await fetch(`http://127.0.0.1:${port}/today`, { headers: { cookie }, redirect: 'manual' })
      expect(page.status).toBe(200)
    }
    const began = performance.now()
    const guesses = await Promise.all(
      servers.ports.flatMap((port) => Array.from({ length: 4 }, (_, i) => signIn(port, `not this ${i}`))),
    )
    expect(new Set(guesses.map(({ status }) => status))).toEqual(new Set([401]))
    // Twelve proofs of at least 120 ms, one after the other.
    expect(performance.now() - began).toBeGreaterThan(12 * 120 - 20)
  })

  test('a basket begun at one server is ordered at another', async () => {
    await any('PATCH', '/settings', { shopfrontOpen: true })
    const shop = (port: number, action: string, body: unknown, cookie = '') =>
      fetch(`http://127.0.0.1:${port}/api/shop/${action}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: `http://127.0.0.1:${port}`, cookie },
        body: JSON.stringify(body),
      })
    const begun = await shop(servers.ports[0]!, 'lines', { goodsId, quantity: '2' })
    expect(begun.status).toBe(200)
    const cookie = begun.headers.get('set-cookie')!.split(';')[0]!
    await shop(servers.ports[1]!, 'basket', { name: 'Ines', email: 'ines@mail.example' }, cookie)
    const [turn] = await admin<{ turn: number }[]>`select turn from basket order by id desc limit 1`
    const ordered = await shop(servers.ports[2]!, 'order', { turn: turn!.turn, pay: 'bill' }, cookie)
    expect([ordered.status, await ordered.json()]).toEqual([200, { number: expect.any(Number), paid: false }])
  })

  test('a report is never older than what its reader saved, even while the replica stands still', async () => {
    const follower = postgres(pair.follower, { max: 1 })
    const lastReceipt = async () => {
      const file = await fetch(`http://127.0.0.1:${servers.port}/api/v1/export/receipts.csv`, {
        headers: { authorization: `Bearer ${TOKEN}` },
        signal: AbortSignal.timeout(30_000),
      })
      return file.text()
    }
    for (const amount of ['7.01', '7.02', '7.03']) {
      await any('POST', '/receipts', { customerId, method: 'cash', amount })
      expect(await lastReceipt()).toContain(amount)
    }
    const [read] = await follower<{ n: number }[]>`
      select count(*)::int as n from pg_stat_activity where application_name = 'iron-till' and query like '%receipt%'`
    expect(read!.n).toBeGreaterThan(0)
    await follower`select pg_wal_replay_pause()`
    await any('POST', '/receipts', { customerId, method: 'cash', amount: '7.04' })
    expect(await lastReceipt()).toContain('7.04')
    await follower`select pg_wal_replay_resume()`
    await follower.end({ timeout: 1 })
  })

  test('one of them keeps the clock; when it is gone, another does, and what waits goes out', async () => {
    await eventually('the clock is kept', async () => (await keepers()).length === 1, 10_000)
    const [keeper] = await keepers()
    const [at] = await admin<
      { port: number }[]
    >`select client_port as port from pg_stat_activity where pid = ${keeper!}`
    expect(at!.port).toBeGreaterThan(0)
    for (let which = 0; which < 2; which++) {
      await servers.kill(which)
      if (!(await keepers()).includes(keeper!)) break
    }
    await eventually(
      'another keeps it',
      async () => {
        const now = await keepers()
        return now.length === 1 && now[0] !== keeper
      },
      15_000,
    )
  })
})

test('the database fails over in the middle of work: nothing acknowledged is lost, and it goes on by itself', async () => {
  // Whichever is still there.
  const alive = servers.ports[2]!
  const hands = await startHands(() => alive, 'While it fails over')
  await hands.atWork('work is under way')
  await pair.failOver()
  await hands.atWork('work goes on', 40)
  await hands.end([503])
  await admin.end({ timeout: 1 })
  admin = postgres(pair.follower, { max: 1 })
  await eventually('the clock is kept there, too', async () => (await keepers()).length === 1, 15_000)
})
