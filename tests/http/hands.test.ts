import { afterAll, beforeAll, expect, test } from 'vitest'
import { openTill, PASSPHRASE, TOKEN, type Till } from '../browser/till'

let till: Till
let customerId: number
let goodsId: number
beforeAll(async () => {
  till = await openTill('hands')
  await till.request('POST', '/setup', {
    name: 'Hands',
    currency: 'USD',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Tax', components: [{ name: 'Tax', rate: '0.08' }] }],
  })
  customerId = (await till.request('POST', '/customers', { name: 'Everybody' })).body.id
  goodsId = (await till.request('POST', '/goods', { code: 'A', name: 'Thing', kind: 'stock', price: '10.00' })).body.id
  await till.request('POST', '/stock-counts', {
    on: '2026-01-02',
    lines: [{ goodsId, counted: '500', unitCost: '4.00' }],
  })
})
afterAll(() => till.close())

/** Runs tasks with so many hands at once. */
const withHands = async <T>(hands: number, tasks: readonly (() => Promise<T>)[]): Promise<T[]> => {
  const done: T[] = []
  let next = 0
  await Promise.all(
    Array.from({ length: hands }, async () => {
      while (next < tasks.length) {
        const mine = next++
        done[mine] = await tasks[mine]!()
      }
    }),
  )
  return done
}
const tiesHold = async (): Promise<boolean> =>
  (await till.request('GET', '/books/ties')).body.ties.every((t: { difference: string }) => Number(t.difference) === 0)

test('two hundred mixed commands at 32 hands on one customer: none breaks, every tie holds', async () => {
  const sales: number[] = []
  for (let i = 0; i < 6; i++)
    sales.push(
      (
        await till.request('POST', '/sales', {
          customerId,
          agreed: true,
          lines: [
            { goodsId, quantity: '6' },
            { description: 'Work', quantity: '3', unitPrice: '50.00' },
          ],
        })
      ).body.id,
    )
  const commands = [
    (i: number) => ['POST', `/sales/${sales[i % 6]}/handovers`, {}] as const,
    (i: number) => ['POST', `/sales/${sales[i % 6]}/invoices`, { what: { percent: '10' }, issue: true }] as const,
    () => ['POST', '/receipts', { customerId, method: 'cash', amount: '15.00' }] as const,
    (i: number) =>
      [
        'POST',
        '/receipts',
        { customerId, method: 'cheque', amount: '9.00', for: [{ saleId: sales[i % 6], amount: '9.00' }] },
      ] as const,
    () => ['POST', '/held-uses', { customerId }] as const,
    () => ['POST', '/refunds', { customerId, amount: '1.00', method: 'cash' }] as const,
    (i: number) => ['POST', `/receipts/${1 + (i % 20)}/void`, { reason: 'x' }] as const,
    () => ['POST', '/counter-sales', { lines: [{ goodsId, quantity: '1' }], method: 'card' }] as const,
    (i: number) => ['GET', `/sales/${sales[i % 6]}`] as const,
    () => ['GET', '/receivables'] as const,
  ]
  const tasks = Array.from({ length: 200 }, (_, i) => async () => {
    const [method, path, body] = commands[i % commands.length]!(i)
    const { status, body: told } = await till.request(method, path, body)
    return { status, asked: `${method} ${path}`, told: status < 500 ? '' : String(told.type) }
  })
  const answers = await withHands(32, tasks)
  expect(answers.filter((a) => a.status >= 500)).toEqual([])
  expect(answers.filter((a) => a.status < 300).length).toBeGreaterThan(80)
  expect(await tiesHold()).toBe(true)
})

test('one command sent by 32 hands with one key happens once', async () => {
  const before = (await till.request('GET', '/receipts?limit=500')).body.items.length
  const tasks = Array.from(
    { length: 32 },
    () => () =>
      till.request(
        'POST',
        '/receipts',
        { customerId, method: 'cash', amount: '3.00', for: 'account' },
        { 'idempotency-key': 'one-key' },
      ),
  )
  const answers = await withHands(32, tasks)
  expect(new Set(answers.map((a) => a.status))).toEqual(new Set([201]))
  expect(new Set(answers.map((a) => a.body.id)).size).toBe(1)
  expect((await till.request('GET', '/receipts?limit=500')).body.items.length).toBe(before + 1)
})

test('three hundred guesses at once: few are tried, the others are told to wait, and nobody else notices', async () => {
  const guess = (i: number) => () =>
    fetch(`${till.base}/api/session`, {
      method: 'POST',
      headers: { origin: till.base, 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: `wrong guess ${i}` }),
    }).then((r) => r.status)
  const began = Date.now()
  const guesses = withHands(
    300,
    Array.from({ length: 300 }, (_, i) => guess(i)),
  )
  const health = await fetch(`${till.base}/api/health`)
  const work = await fetch(`${till.base}/api/v1/goods`, { headers: { authorization: `Bearer ${TOKEN}` } })
  expect([health.status, work.status]).toEqual([200, 200])
  const statuses = await guesses
  const seconds = (Date.now() - began) / 1000
  const tried = statuses.filter((s) => s === 401).length
  expect(tried / Math.max(seconds, 1)).toBeLessThanOrEqual(10)
  expect(statuses.every((s) => s === 401 || s === 429 || s === 503)).toBe(true)
  const owner = await fetch(`${till.base}/api/session`, {
    method: 'POST',
    headers: { origin: till.base, 'content-type': 'application/json' },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  })
  expect(owner.status).toBe(200)
})

test('guesses keep waiting neither who is let in already nor a browser the owner has signed in with', async () => {
  const knock = (method: 'POST' | 'PUT', passphrase: string, cookie = '') =>
    fetch(`${till.base}/api/session`, {
      method,
      headers: { origin: till.base, 'content-type': 'application/json', cookie },
      body: JSON.stringify({ passphrase }),
    })
  const [session, browser] = (await knock('POST', PASSPHRASE)).headers.getSetCookie().map((c) => c.split(';')[0]!)
  const seen = new Set<number>()
  let going = true
  const guessers = Array.from({ length: 60 }, async (_, i) => {
    while (going) seen.add((await knock('POST', `wrong guess ${i}`, `till_browser=made.up${i}`)).status)
  })
  while (!seen.has(401)) await new Promise((next) => setTimeout(next, 20))
  const told: number[] = []
  for (let i = 0; i < 3; i++) {
    told.push((await knock('POST', PASSPHRASE, browser)).status)
    told.push((await knock('PUT', PASSPHRASE, session)).status)
  }
  going = false
  await Promise.all(guessers)
  expect(told).toEqual([200, 200, 200, 200, 200, 200])
  expect(seen).not.toContain(200)
})

test('tokens end, may only read, and take the passphrase to be made', async () => {
  expect((await till.request('POST', '/settings/tokens', { name: 'x' })).status).toBe(422)
  expect((await till.request('POST', '/settings/tokens', { name: 'x', passphrase: 'wrong wrong' })).status).toBe(401)
  const made = await till.request('POST', '/settings/tokens', {
    name: 'Reader',
    passphrase: PASSPHRASE,
    readOnly: true,
  })
  expect(made.status).toBe(201)
  const headers = { authorization: `Bearer ${made.body.token}` }
  expect((await fetch(`${till.base}/api/v1/goods`, { headers })).status).toBe(200)
  expect(
    (
      await fetch(`${till.base}/api/v1/customers`, {
        method: 'POST',
        headers: { ...headers, 'content-type': 'application/json' },
        body: '{"name":"x"}',
      })
    ).status,
  ).toBe(403)
  await till.db.execute(`update api_token set expires_at = now() - interval '1 minute'`)
  expect((await fetch(`${till.base}/api/v1/goods`, { headers })).status).toBe(401)
})

test('spaces are no passphrase; a changed one ends every session and every token', async () => {
  expect((await till.request('POST', '/settings/passphrase', { now: PASSPHRASE, next: '            ' })).status).toBe(
    422,
  )
  const made = await till.request('POST', '/settings/tokens', { name: 'Worker', passphrase: PASSPHRASE })
  const session = await fetch(`${till.base}/api/session`, {
    method: 'POST',
    headers: { origin: till.base, 'content-type': 'application/json' },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  })
  const cookie = session.headers.get('set-cookie')!.split(';')[0]!
  expect((await fetch(`${till.base}/api/v1/export/everything.json`, { headers: { cookie } })).status).toBe(200)
  await till.db.execute(`update session set proved_at = now() - interval '1 hour'`)
  expect((await fetch(`${till.base}/api/v1/export/everything.json`, { headers: { cookie } })).status).toBe(403)
  expect((await fetch(`${till.base}/api/v1/goods`, { headers: { cookie } })).status).toBe(200)
  await till.db.execute(`update session set seen_at = now() - interval '13 hours'`)
  expect((await fetch(`${till.base}/api/v1/goods`, { headers: { cookie } })).status).toBe(401)
  expect(
    (await till.request('POST', '/settings/passphrase', { now: PASSPHRASE, next: 'another long passphrase' })).status,
  ).toBe(200)
  expect(
    (await fetch(`${till.base}/api/v1/goods`, { headers: { authorization: `Bearer ${made.body.token}` } })).status,
  ).toBe(401)
})
