import { inspect } from 'node:util'
import { pino } from 'pino'
import { beforeAll, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { databaseError } from '@/data/databaseError'
import { customer } from '@/data/schema'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const NAME = 'Hazel of the Secret Address'

const breakWith = async (work: () => Promise<unknown>): Promise<unknown> => {
  try {
    await work()
  } catch (broken) {
    return broken
  }
  throw new Error('it did not break')
}

/** What our log and the framework's are told of an error. */
const told = (broken: unknown): string => {
  const lines: string[] = []
  pino({}, { write: (line: string) => void lines.push(line) }).error({ err: broken }, 'broken')
  return `${lines.join('')}${inspect(broken, { depth: 10 })}`
}

test.each([
  ['a row that may not be', '23514', () => s.db.update(customer).set({ name: NAME, joinedToId: sql`${customer.id}` })],
  [
    'one that is there already',
    '23505',
    () =>
      s.db.execute(
        sql`insert into customer (id, name, since) overriding system value values (${s.customer}, ${NAME}, ${s.shop.today})`,
      ),
  ],
  [
    'within a transaction',
    '23502',
    () => s.db.transaction((tx) => tx.execute(sql`insert into customer (name, since) values (${NAME}, null)`)),
  ],
])('%s: a log is told what broke, and none of its values', async (_, code, work) => {
  const broken = await breakWith(work)
  expect(databaseError(broken)?.code).toBe(code)
  expect(told(broken)).toMatch(/insert into|update/)
  expect(told(broken)).toContain(code)
  expect(told(broken)).not.toContain('Hazel')
})
