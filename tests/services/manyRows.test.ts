import { asc, eq, inArray, like } from 'drizzle-orm'
import { beforeAll, expect, test } from 'vitest'
import { insertMany, insertNew, updateMany } from '@/data/manyRows'
import { bankAccount, bankLine, bankStatement, customer, goods } from '@/data/schema'
import { day } from '@/core/day'
import { decimal } from '@/core/money'
import { eachInTurn } from '@/services/files/eachInTurn'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const TODAY = day('2026-03-10')
/** More than one statement holds, every third of which tells one field more. */
const some = Array.from({ length: 1_201 }, (_, i) => ({
  name: `Person ${String(i).padStart(4, '0')}`,
  since: TODAY,
  ...(i % 3 === 0 && { note: `a “note” of ${i}, with \\ and 'quotes'` }),
  tags: i === 7 ? ['a b', 'c"d'] : [],
}))

test('many rows are added, each with what it tells, and their ids come in their order', async () => {
  const ids = await insertMany(customer)(s.db, some)
  expect(new Set(ids).size).toBe(1_201)
  const there = await s.db.select().from(customer).where(inArray(customer.id, ids))
  const named = new Map(there.map((c) => [c.id, c]))
  expect(ids.map((id) => named.get(id)?.name)).toEqual(some.map((c) => c.name))
  expect(ids.map((id) => named.get(id)?.note)).toEqual(some.map((c) => c.note ?? ''))
  expect(named.get(ids[7]!)?.tags).toEqual(['a b', 'c"d'])
  // As the table has it where nothing is told.
  expect(named.get(ids[0]!)).toMatchObject({ language: 'en', netDays: 0, taxExempt: false, creditLimit: null })
})

test('none at all are no statement', async () => {
  expect(await insertMany(customer)(s.db, [])).toEqual([])
  expect(await insertNew(customer)(s.db, [])).toBe(0)
  await updateMany(customer)(s.db, [])
})

test('many rows are changed: what is undefined stays, what is null is emptied, and others are not touched', async () => {
  const [first, second, third] = await insertMany(customer)(
    s.db,
    ['One', 'Two', 'Three'].map((name) => ({ name: `${name} changed`, since: TODAY, creditLimit: 5_00n })),
  )
  await updateMany(customer)(s.db, [
    { id: first!, phone: '1', creditLimit: 9_007_199_254_740_993n },
    { id: second!, phone: undefined, creditLimit: null },
  ])
  const rows = await s.db.select().from(customer).where(like(customer.name, '% changed')).orderBy(asc(customer.id))
  expect(rows.map((r) => [r.id, r.name, r.phone, r.creditLimit])).toEqual([
    [first, 'One changed', '1', 9_007_199_254_740_993n],
    [second, 'Two changed', '', null],
    [third, 'Three changed', '', 5_00n],
  ])
})

test('prices are written to their last place', async () => {
  const [id] = await insertMany(goods)(s.db, [
    {
      code: 'MANY',
      name: 'Many',
      kind: 'stock',
      price: decimal('12345678901234.5678'),
      taxCodeId: 1,
      incomeAccountId: 1,
    },
  ])
  const [row] = await s.db.select().from(goods).where(eq(goods.id, id!))
  expect(row?.price.toString()).toBe('12345678901234.5678')
})

test('of rows that are there already only the new ones are added, and counted', async () => {
  const [account] = await s.db.insert(bankAccount).values({ name: 'Bank', accountId: 1 }).returning()
  const of = {
    bankAccountId: account!.id,
    fromDay: TODAY,
    through: TODAY,
    importedOn: TODAY,
  }
  const [statement] = await s.db
    .insert(bankStatement)
    .values({ ...of, name: 'a', format: 'csv' })
    .returning()
  const lines = Array.from({ length: 700 }, (_, i) => ({
    statementId: statement!.id,
    bankAccountId: account!.id,
    onDay: TODAY,
    amount: BigInt(i + 1) * 100n,
    text: `Line ${i}`,
    bankId: '',
    key: `k${i}`,
  }))
  expect(await insertNew(bankLine)(s.db, lines.slice(0, 300))).toBe(300)
  expect(await insertNew(bankLine)(s.db, lines)).toBe(400)
  const kept = await s.db.select().from(bankLine).orderBy(asc(bankLine.id))
  expect(kept.map((l) => [l.text, l.amount])).toEqual(lines.map((l) => [l.text, l.amount]))
})

test('who asks something while many rows are looked at has a turn in between', async () => {
  const busy = (until = performance.now() + 30): void => {
    while (performance.now() < until);
  }
  const order: string[] = []
  const asked = new Promise((done) => setTimeout(done, 1)).then(() => order.push('somebody'))
  await eachInTurn(['first', 'second', 'third'], (row, at) => {
    busy()
    order.push(`${at} ${row}`)
  })
  await asked
  expect(order).toHaveLength(4)
  expect(order.at(-1)).toBe('2 third')
})
