import { afterAll, beforeAll, expect, test } from 'vitest'
import { openTill, PASSPHRASE, type Till } from '../browser/till'
import { memoryOf } from './memoryOf'

/** `TILL_SECONDS=60` for longer. */
const SECONDS = Number(process.env.TILL_SECONDS ?? 15)
/** It goes on until so much was answered, however slow the machine is that does so: the limit of a test is the one in time. */
const AT_LEAST = { read: 500, written: 40, health: 20 }

let till: Till
let customerId: number
beforeAll(async () => {
  till = await openTill('load')
  await till.request('POST', '/setup', { name: 'Load', currency: 'USD', passphrase: PASSPHRASE })
  customerId = (await till.request('POST', '/customers', { name: 'Everybody' })).body.id
})
afterAll(() => till.close())

test('200 readers and 20 writers at once: sentences only, health at once, memory stands, nothing is lost or doubled', async () => {
  const end = Date.now() + SECONDS * 1_000
  const seen = new Map<number, number>()
  const taken: number[] = []
  const problems: unknown[] = []
  const note = (answer: { status: number; body: { detail?: string } }) => {
    seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1)
    if (![200, 201, 503].includes(answer.status) || (answer.status === 503 && !answer.body.detail))
      problems.push(answer)
  }
  const pages = ['/customers', '/goods', '/sales', '/receivables', '/receipts', '/books/ties'] as const
  /** How long each took, as these hands felt it: they share their machine, so that only one beside the other says something. */
  const waited = { page: [] as number[], health: [] as number[] }
  const timed = async <T extends { status: number }>(kind: keyof typeof waited, ask: () => Promise<T>): Promise<T> => {
    const began = performance.now()
    const answer = await ask()
    // Who is told to come back waits for nothing.
    if (answer.status === 200) waited[kind].push(performance.now() - began)
    return answer
  }
  const goesOn = (): boolean =>
    Date.now() < end ||
    (seen.get(200) ?? 0) < AT_LEAST.read ||
    taken.length < AT_LEAST.written ||
    waited.health.length < AT_LEAST.health
  const reader = async (who: number) => {
    for (let i = who; goesOn(); i++) note(await timed('page', () => till.request('GET', pages[i % pages.length]!)))
  }
  const writer = async (who: number) => {
    for (let i = 0; goesOn(); i++) {
      const body = { customerId, method: 'cash', amount: '1.00', for: 'account' }
      const key = `load-${who}-${i}`
      // Told to come back, a writer does so with the same key, as a till would.
      for (;;) {
        const answer = await till.request('POST', '/receipts', body, { 'idempotency-key': key })
        note(answer)
        if (answer.status === 201) taken.push(answer.body.id)
        if (answer.status !== 503) break
        await new Promise((r) => setTimeout(r, 200))
      }
    }
  }
  const memories: number[] = []
  const watcher = async () => {
    while (goesOn()) {
      const health = await timed('health', () => fetch(`${till.base}/api/health`))
      if (health.status !== 200) problems.push(`health ${health.status}`)
      memories.push(memoryOf(till.base))
      await new Promise((r) => setTimeout(r, 250))
    }
  }
  await Promise.all([
    watcher(),
    ...Array.from({ length: 200 }, (_, i) => reader(i)),
    ...Array.from({ length: 20 }, (_, i) => writer(i)),
  ])

  expect(problems).toEqual([])
  expect(seen.get(200)).toBeGreaterThanOrEqual(AT_LEAST.read)
  expect(taken.length).toBeGreaterThanOrEqual(AT_LEAST.written)
  // Answered by the door itself, beside all the waiting: it never waits in the line of the pages.
  const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!
  expect(median(waited.health) * 4).toBeLessThan(median(waited.page))
  // It grows while the engine makes itself at home (to about 400 MB, and stands there for as long as this goes on); what
  // piled up with each of some ten thousand answers would pass this bound.
  expect(Math.max(...memories)).toBeLessThan(600)

  const { body } = await till.request('GET', '/books/ties')
  expect(body.ties.every((t: { difference: string }) => Number(t.difference) === 0)).toBe(true)
  const [counted] = await till.db.execute<{ n: number }>('select count(*)::int as n from receipt')
  expect(new Set(taken).size).toBe(taken.length)
  expect(counted!.n).toBe(taken.length)
})
