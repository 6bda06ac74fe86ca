import { beforeAll, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import { billSale } from '@/services/billing/billSale'
import { closePeriod } from '@/services/books/closePeriod'
import type { Command } from '@/services/command'
import type { Failure } from '@/contract/failure'
import { moveHeld } from '@/services/money/moveHeld'
import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt } from '@/services/money/voidReceipt'
import { writeOffDue } from '@/services/money/writeOff'
import { payOffPlan } from '@/services/plans/changePlan'
import { giveUpLayaway } from '@/services/plans/giveUpLayaway'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { countDrawer, moveDrawer } from '@/services/till/drawer'
import { bankSlip } from '@/services/till/toBank'
import { openTestShop, type TestShop } from './shop'
import { listOpenDues } from '@/data/queries/due'
import { sentence } from '@/contract/sentences'

let s: TestShop
let plan: number
let planDue: number
let layaway: number
let cash: number
beforeAll(async () => {
  s = await openTestShop()
  const agreed = async (arrangement: unknown): Promise<number> =>
    (
      await s.answer(startSale, {
        customerId: s.customer,
        agreed: true,
        lines: [{ description: 'A bow', quantity: '1', unitPrice: '554.27' }],
        arrangement: arrangement as never,
      })
    ).id
  plan = await agreed({ kind: 'installments', count: 3, every: 'month', firstDue: '2026-04-01' })
  await s.run(handOver, { saleId: plan })
  await s.run(billSale, { saleId: plan, what: 'handed-over', issue: true })
  planDue = (await listOpenDues(s.db, s.customer, 'USD'))[0]!.id
  layaway = await agreed({ kind: 'layaway', months: 2 })
  cash = await s.run(takeReceipt, { method: 'cash', amount: '50.00', for: [{ saleId: layaway, amount: '50.00' }] })
  await s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount: '5.00', for: 'account' })
})

/** How many rows every table has: what is refused must change none of them. */
const rows = async (): Promise<Record<string, number>> => {
  const tables = await s.db.execute<{ name: string }>(
    sql`select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' and table_name not like '%migration%'`,
  )
  const counts: Record<string, number> = {}
  for (const t of tables)
    counts[t.name] = Number(
      (await s.db.execute<{ n: string }>(sql`select count(*)::text as n from ${sql.identifier(t.name)}`))[0]!.n,
    )
  return counts
}
const refused = async <I, A>(command: Command<I, A>, input: unknown): Promise<Failure> => {
  const before = await rows()
  const done = await command.answer(s.shop, input, null)
  expect(await rows()).toEqual(before)
  if (done.ok) throw new Error('was not refused')
  // What, why and what now: a whole sentence, not a code.
  expect(sentence(done.error)).toMatch(/^[A-Z0-9“].{15,}[.:!”]?/s)
  return done.error
}

test('nothing is dated in a closed period, whatever it is', async () => {
  await s.run(closePeriod, { through: '2026-01-31' })
  const on = '2026-01-15'
  for (const [command, input] of [
    [moveDrawer, { direction: 'in', amount: '1.00', reason: 'x', on }],
    [countDrawer, { counted: '1.00', on }],
    [bankSlip, { cash: '1.00', on }],
    [moveHeld, { customerId: s.customer, fromSaleId: layaway, on }],
    [refundHeld, { customerId: s.customer, saleId: layaway, amount: '1.00', method: 'cash', on }],
    [giveUpLayaway, { saleId: layaway, on }],
    [payOffPlan, { saleId: plan, on }],
    [writeOffDue, { dueId: planDue, reason: 'x', on }],
    [bounceReceipt, { receiptId: cash, reason: 'x', on: '2026-01-10' }],
  ] as const)
    expect(['period-closed', 'cannot-bounce']).toContain(
      (await refused(command as Command<unknown, unknown>, input)).code,
    )
})

test('the same key twice does it once, for everything that moves money', async () => {
  const twice = async <I, A>(command: Command<I, A>, input: I, key: string) => {
    const [one, two] = [await command.answer(s.shop, input, key), await command.answer(s.shop, input, key)]
    expect(one.ok).toBe(true)
    expect(two).toEqual(one)
    const other = await command.answer(s.shop, { ...input, reason: 'something else' } as I, key)
    expect(other).toMatchObject({ ok: false, error: { code: 'key-reused' } })
  }
  const count = async (table: string): Promise<number> => (await rows())[table]!
  const before = await rows()
  await twice(moveDrawer, { direction: 'in', amount: '10.00', reason: 'float' }, 'k1')
  await twice(moveHeld, { customerId: s.customer, fromSaleId: layaway, amount: '10.00', reason: '' }, 'k2')
  await twice(writeOffDue, { dueId: planDue, amount: '1.00', reason: 'x' }, 'k3')
  await twice(refundHeld, { customerId: s.customer, amount: '5.00', method: 'transfer', reason: '' }, 'k4')
  await twice(giveUpLayaway, { saleId: layaway, reason: 'given up' }, 'k5')
  expect(await count('drawer_move')).toBe(before.drawer_move! + 1)
  expect(await count('write_off')).toBe(before.write_off! + 1)
  // One refund of what was on account, one of what the layaway still held.
  expect(await count('refund')).toBe(before.refund! + 2)
  expect(await s.ties()).toEqual([])
})

test('what is written down stays: the database refuses to change or drop it', async () => {
  await s.run(countDrawer, { counted: '1.00' })
  for (const table of ['plan_charge', 'tax_move', 'write_off', 'held_transfer', 'drawer_move', 'drawer_count']) {
    const has = Number(
      (await s.db.execute<{ n: string }>(sql`select count(*)::text as n from ${sql.identifier(table)}`))[0]!.n,
    )
    if (has === 0) continue
    await expect(s.db.execute(sql`delete from ${sql.identifier(table)}`)).rejects.toThrow()
  }
  await expect(s.db.execute(sql`update plan set financed = financed + 1`)).rejects.toThrow()
  await expect(s.db.execute(sql`update due set amount = amount + 1 where id = ${planDue}`)).rejects.toThrow()
  await expect(s.db.execute(sql`update due set filled = amount + 1 where id = ${planDue}`)).rejects.toThrow()
  expect(day('2026-03-01')).toBe(s.today)
})
