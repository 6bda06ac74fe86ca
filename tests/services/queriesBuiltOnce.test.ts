import { eq, sql } from 'drizzle-orm'
import { beforeAll, describe, expect, test } from 'vitest'
import { present } from '@/core/present'
import { builtForId, builtForIds, builtOnce, insertAll, insertInto, insertOne, insertWithId } from '@/data/builtOnce'
import { openDatabase } from '@/data/connect'
import { databaseError } from '@/data/databaseError'
import { reserveWithEntry } from '@/data/queries/reserveId'
import { isOneOf } from '@/data/queries/search'
import { customer, entry, post, receipt } from '@/data/schema'
import { goOnFrom, sayLast, transact } from '@/data/transact'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const called = builtOnce((db) =>
  db
    .select({ id: customer.id, name: customer.name })
    .from(customer)
    .where(eq(customer.name, sql.placeholder('name'))),
)
const byId = builtForId((db, id) => db.select({ name: customer.name }).from(customer).where(eq(customer.id, id)))
const namesOf = builtForIds((db, ids) =>
  db.select({ name: customer.name }).from(customer).where(isOneOf(customer.id, ids)).orderBy(customer.id),
)
const insertCustomer = insertOne(customer)
const insertCustomers = insertAll(customer)
const row = (name: string) => ({ name, since: s.shop.today })

describe('a query that is built once', () => {
  test('is asked with other values each time, also side by side', async () => {
    const [one, two] = [await insertCustomer(s.db, row('Built One')), await insertCustomer(s.db, row('Built Two'))]
    expect(await Promise.all([called(s.db, { name: 'Built Two' }), called(s.db, { name: 'Built One' })])).toEqual([
      [{ id: two, name: 'Built Two' }],
      [{ id: one, name: 'Built One' }],
    ])
    expect([await byId(s.db, two), await namesOf(s.db, [two, one])]).toEqual([
      [{ name: 'Built Two' }],
      [{ name: 'Built One' }, { name: 'Built Two' }],
    ])
  })

  test('asks nothing for nothing', async () => {
    const nowhere = new Proxy(s.db, {
      get: () => {
        throw new Error('asked')
      },
    })
    expect([await namesOf(nowhere, []), await insertCustomers(nowhere, [])]).toEqual([[], []])
  })

  test('belongs to the transaction it is asked in, and to no other', async () => {
    const undone = s.db.transaction(async (tx) => {
      await insertCustomer(tx, row('Undone'))
      expect([(await called(tx, { name: 'Undone' })).length, (await called(s.db, { name: 'Undone' })).length]).toEqual([
        1, 0,
      ])
      throw new Error('undone')
    })
    await expect(undone).rejects.toThrow('undone')
    expect(await called(s.db, { name: 'Undone' })).toEqual([])
  })
})

describe('rows that are written', () => {
  test('keep what is empty apart from what is not told, of whatever shape the rows before were', async () => {
    const fields = {
      name: customer.name,
      limit: customer.creditLimit,
      days: customer.discountDays,
      tags: customer.tags,
    }
    const ids = await insertCustomers(s.db, [
      { ...row('Full'), creditLimit: 500n, tags: ['a', 'b "c"'] },
      { ...row('Empty'), creditLimit: null, tags: [] },
    ])
    const again = await insertCustomers(s.db, [
      { ...row('Untold'), creditLimit: undefined },
      { ...row('Other'), creditLimit: 7n, discountDays: 3 },
    ])
    const rows = await s.db
      .select(fields)
      .from(customer)
      .where(isOneOf(customer.id, [...ids, ...again]))
      .orderBy(customer.id)
    expect(rows).toEqual([
      { name: 'Full', limit: 500n, days: null, tags: ['a', 'b "c"'] },
      { name: 'Empty', limit: null, days: null, tags: [] },
      { name: 'Untold', limit: null, days: null, tags: [] },
      { name: 'Other', limit: 7n, days: 3, tags: [] },
    ])
  })

  test('may be many, and hold what the database reckons', async () => {
    const many = Array.from({ length: 30 }, (_, i) => row(`Many ${i}`))
    const ids = await insertCustomers(s.db, many)
    expect(await namesOf(s.db, ids)).toEqual(many.map(({ name }) => ({ name })))
    const id = await insertCustomer(s.db, { ...row('x'), name: sql`upper('reckoned')` as never })
    expect(await byId(s.db, id)).toEqual([{ name: 'RECKONED' }])
  })

  test('hold days and moments as they are kept', async () => {
    const about = { paper: 'sale', paperId: 1, customerId: s.customer } as const
    const letter = {
      ...about,
      recipient: 'a@b.example',
      subject: 'S',
      body: 'B',
      messageId: 'built@once',
      writtenOn: s.shop.today,
    }
    const id = await insertOne(post)(s.db, { ...letter, nextTryAt: new Date('2026-01-02T03:04:05Z') })
    const [kept] = await s.db.select().from(post).where(eq(post.id, id))
    expect(kept).toMatchObject({ ...letter, sentOn: null, nextTryAt: new Date('2026-01-02T03:04:05Z') })
  })

  test('stand under the ids that were reserved for them', async () => {
    const { id, entryId } = await reserveWithEntry(s.db, 'receipt')
    await expect(
      s.db.transaction(async (tx) => {
        const about = { onDay: s.shop.today, text: 'Reserved', sourceKind: 'receipt', sourceId: id }
        await insertWithId(entry)(tx, about, entryId)
        expect((await tx.select({ text: entry.text }).from(entry).where(eq(entry.id, entryId))).length).toBe(1)
        await insertInto(receipt)(tx, [])
        throw new Error('enough')
      }),
    ).rejects.toThrow('enough')
  })
})

test('a statement that comes after its transaction has ended is refused, and goes to nobody else', async () => {
  let late: () => Promise<unknown> = () => Promise.resolve()
  const broken = transact(s.db, async (tx) => {
    late = () => insertCustomer(tx, row('Late'))
    await Promise.all([
      insertCustomer(tx, { ...row('Broken'), discountDays: 'no number' as never }),
      byId(tx, 1).then(() => byId(tx, 2)),
    ])
  })
  await expect(broken).rejects.toThrow()
  await expect(late()).rejects.toMatchObject({ cause: { message: 'a statement came after its transaction had ended' } })
  expect([await called(s.db, { name: 'Late' }), await called(s.db, { name: 'Broken' })]).toEqual([[], []])
  // The connection is whole.
  expect(await transact(s.db, (tx) => insertCustomer(tx, row('After')))).toBeGreaterThan(0)
})

test('what a transaction asks first is answered when it holds the pen, on whichever server', async () => {
  const id = await insertCustomer(s.db, row('Before'))
  const other = openDatabase(s.url)
  const ended: string[] = []
  let read: Promise<unknown> = Promise.resolve()
  await transact(s.db, async (tx) => {
    await byId(tx, id)
    read = transact(other.db, (theirs) => byId(theirs, id)).finally(() => ended.push('read'))
    await new Promise((done) => setTimeout(done, 150))
    await tx.update(customer).set({ name: 'After' }).where(eq(customer.id, id))
    ended.push('written')
  })
  expect([await read, ended]).toEqual([[{ name: 'After' }], ['written', 'read']])
  await other.close()
})

describe('where one of several statements breaks', () => {
  /** The one that breaks is not the one that is waited for. */
  const beside = async (breaks: Promise<unknown>, waitedFor: Promise<unknown>): Promise<void> => {
    breaks.catch(() => undefined)
    await waitedFor
  }

  test('what broke first is told, not that something did', async () => {
    const broken = transact(s.db, (tx) =>
      beside(
        insertCustomer(tx, { ...row('Broken'), discountDays: 'no number' as never }),
        insertCustomer(tx, row('Beside')),
      ),
    )
    const problem: unknown = await broken.catch((why: unknown) => why)
    expect(databaseError(problem)?.code).toBe('22P02')
    expect(await called(s.db, { name: 'Beside' })).toEqual([])
  })

  test('and where two hands met, all of it is done again', async () => {
    let attempts = 0
    const id = await transact(s.db, async (tx) => {
      attempts++
      const met = sql`do $$ begin raise exception 'two hands met' using errcode = '40001'; end $$`
      const inserted = attempts === 1 ? [tx.execute(met), insertCustomer(tx, row('Again'))] : []
      if (inserted.length > 0) await beside(inserted[0]!, inserted[1]!)
      return insertCustomer(tx, row('Again'))
    })
    expect([attempts, await called(s.db, { name: 'Again' })]).toEqual([2, [{ id, name: 'Again' }]])
  })
})

describe('what nobody waits for', () => {
  const unreadable = () => ({ ...row('Unreadable'), discountDays: 'no number' as never })

  test('is there for whatever is asked next, and when the transaction has ended', async () => {
    const [seen, id] = await transact(s.db, async (tx) => {
      const inserted = insertCustomer(tx, row('Not waited for'))
      goOnFrom(tx, inserted)
      const [seen, id] = [await called(tx, { name: 'Not waited for' }), await inserted]
      sayLast(tx, tx.update(customer).set({ name: 'Said last' }).where(eq(customer.id, id)).execute())
      return [seen, id] as const
    })
    expect([seen, await byId(s.db, id)]).toEqual([[{ id, name: 'Not waited for' }], [{ name: 'Said last' }]])
  })

  test.each([
    ['written', goOnFrom],
    ['said last', sayLast],
  ])('ends all of it where it is refused, and is told: %s', async (_, leave) => {
    const refused = transact(s.db, async (tx) => {
      await insertCustomer(tx, row('Taken back'))
      leave(tx, insertCustomer(tx, unreadable()))
    })
    const problem: unknown = await refused.catch((why: unknown) => why)
    expect([databaseError(problem)?.code, await called(s.db, { name: 'Taken back' })]).toEqual(['22P02', []])
  })

  test('is done again with the rest where two hands met at the last word', async () => {
    let attempts = 0
    const met = sql`do $$ begin raise exception 'two hands met' using errcode = '40001'; end $$`
    await transact(s.db, async (tx) => {
      attempts++
      await insertCustomer(tx, row('Met at the end'))
      if (attempts === 1) sayLast(tx, tx.execute(met))
    })
    expect([attempts, (await called(s.db, { name: 'Met at the end' })).length]).toEqual([2, 1])
  })
})

test('however many wait for the pen, two connections are taken for it, and who reads has the others', async () => {
  let there = 0
  let most = 0
  const writers = Array.from({ length: 12 }, () =>
    transact(s.db, async (tx) => {
      there++
      await byId(tx, 1)
      const taken = await s.db.execute<{ n: number }>(
        sql`select count(*)::int as n from pg_stat_activity where datname = current_database() and application_name = 'iron-till' and xact_start is not null and pid <> pg_backend_pid()`,
      )
      most = Math.max(most, present(taken[0]).n)
      there--
      expect(there).toBeLessThan(2)
    }),
  )
  await Promise.all(writers)
  expect(most).toBe(2)
})
