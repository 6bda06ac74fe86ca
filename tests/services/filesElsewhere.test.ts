import { sql } from 'drizzle-orm'
import { beforeAll, expect, test } from 'vitest'
import { answering } from '@/api/answering'
import { makeListFile, readListWish } from '@/api/lists/makeListFile'
import { tryListFile } from '@/api/makeListElsewhere'
import { openDatabase } from '@/data/connect'
import { businessDate } from '@/services/clock'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const asked = (path: string) => readListWish(path, new URL(`http://till/api/v1/export/${path}`), businessDate())

test.each([
  ['customers.csv', 'all'],
  ['customers.json?limit=50', 50],
  ['customers.json?limit=5000', 'all'],
  ['customers.csv-metadata.json', 1],
])('%s asks for %s rows', (path, rows) => {
  const [name = ''] = path.split('?')
  expect(readListWish(name, new URL(`http://till/${path}`), businessDate())?.rows).toBe(rows)
})
test.each(['nothing.csv', 'customers.txt', 'customers', '../customers.csv', 'constructor.csv'])(
  '%s is no list',
  (path) => {
    expect(asked(path)).toBeNull()
  },
)

test('a wish goes to another thread and comes back as it was', () => {
  const wish = asked('customers.xlsx')
  expect(structuredClone(wish)).toEqual(wish)
})

test('the file is the same wherever it is made', async () => {
  const wish = asked('customers.csv')!
  const [here, there] = [await makeListFile(s.db, wish), await tryListFile(s.db, structuredClone(wish))]
  expect(there).toEqual(here)
  expect('body' in here && new TextDecoder().decode(here.body)).toContain('Hazel Adair')
})

test('what breaks there is told with its code, so that it can be answered here', async () => {
  const away = Object.assign(new Error('gone'), { code: 'CONNECTION_CLOSED' })
  const broken = new Proxy(s.db, {
    get: () => {
      throw away
    },
  })
  expect(await tryListFile(broken, asked('customers.csv')!)).toEqual({
    broken: { code: 'CONNECTION_CLOSED', message: 'gone' },
  })
})

test('connections that broke while the thread stood still are found out, and it is read once more', async () => {
  const { db, close } = openDatabase(s.url)
  const wish = asked('customers.csv')!
  const before = await tryListFile(db, wish)
  const backends = await s.db.execute<{ pid: number }>(
    sql`select pid from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid() and application_name = 'iron-till'`,
  )
  expect(backends.length).toBeGreaterThan(0)
  for (const { pid } of backends) process.kill(pid, 'SIGTERM')
  // Nothing of it is heard until the file is asked for, as by a thread that waits for work.
  Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 400)
  const after = await tryListFile(db, wish)
  expect(after).toEqual(before)
  await close()
})

// What a thread ends with, and what whoever asked is told.
test.each([
  [Object.assign(new Error('x'), { code: 'ERR_WORKER_OUT_OF_MEMORY' }), 422, 'Narrow it, by days'],
  [Object.assign(new Error('x'), { code: 'TOO_MUCH_WAITS' }), 503, 'took too long'],
  [Object.assign(new Error('The task has been aborted'), { name: 'AbortError' }), 503, 'took too long'],
  [Object.assign(new Error('gone'), { code: 'CONNECTION_CLOSED' }), 503, 'does not answer just now'],
])('%o is answered as %i', async (problem, status, says) => {
  const answer = await answering(new Request('http://till/api/v1/export/customers.csv'), () => Promise.reject(problem))
  expect(answer.status).toBe(status)
  expect((await answer.json()).detail).toContain(says)
})
