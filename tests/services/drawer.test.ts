import { s, openDesk, onDay, refusedOn, moved, work } from './moneyDesk'
import { beforeAll, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { addDays, day, type Day } from '@/core/day'
import { changeSettings } from '@/services/access/changeSettings'
import { refundHeld } from '@/services/money/refundHeld'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { readDrawer } from '@/model/bank/drawer'
import { countDrawer, moveDrawer } from '@/services/till/drawer'
import { bankSlip, settleCards } from '@/services/till/toBank'
import { openTestShop } from './shop'
import { sumAccounts } from '@/data/queries/balances'

beforeAll(openDesk)

describe('the drawer', () => {
  test('float, takings, cash out, banking, count: the day adds up', async () => {
    const on = '2026-07-01'
    const opening = (await readDrawer(s.db, day(on), 'USD')).opening
    await onDay(on, moveDrawer, { direction: 'in', amount: '150.00', reason: 'Float' })
    await onDay(on, sellAtCounter, { lines: [work('40.00')], method: 'cash', tendered: '50.00' })
    await onDay(on, moveDrawer, { direction: 'out', amount: '12.30', reason: 'Stamps' })
    await onDay(on, bankSlip, { cash: '100.00' })
    expect(await refusedOn(on, bankSlip, { cash: '99999.00' })).toBe('drawer-short')
    expect(await refusedOn(on, bankSlip, {})).toBe('nothing-to-bank')
    const day1 = await readDrawer(s.db, day(on), 'USD')
    // 150.00 + 43.30 − 12.30 − 100.00 = 81.00
    expect(day1.now.minor - opening.minor).toBe(8100n)
    expect(await refusedOn(on, countDrawer, { pieces: { '20.00': 1 }, counted: '21.00' })).toBe('invalid')
    const less = (day1.now.minor - 50n).toString()
    const counted = `${less.slice(0, -2)}.${less.slice(-2)}`
    const change = await moved(['1000', '6300'], async () =>
      expect(await onDay(on, countDrawer, { counted })).toMatchObject({ over: '-0.50' }),
    )
    expect(change).toEqual([-50n, 50n])
  })

  test('where the smallest coin is five, cash is rounded, and the rounding is posted', async () => {
    const swiss = await openTestShop({ currency: 'CHF' })
    await swiss.run(changeSettings, { smallestCoin: 5 })
    // 12.50 + 8.25 % = 13.53 → 13.55 in coins
    const counter = await swiss.answer(sellAtCounter, {
      lines: [{ goodsId: swiss.rosin, quantity: '1' }],
      method: 'cash',
      tendered: '20.00',
    })
    expect(counter).toMatchObject({ totals: { gross: '13.53' }, change: '6.45' })
    // 21.02 on account is 21.00 in coins; 21.00 tendered is enough, and refunding 21.02 gives 21.00.
    await swiss.run(takeReceipt, {
      customerId: swiss.customer,
      method: 'cash',
      amount: '21.02',
      tendered: '21.00',
      for: 'account',
    })
    await swiss.run(refundHeld, { customerId: swiss.customer, amount: '21.02', method: 'cash' })
    const sums = await sumAccounts(swiss.db, { to: day('2199-01-01') }, 'CHF')
    const at = (code: string) => {
      const a = sums.find((x) => x.code === code)!
      return a.debit.minor - a.credit.minor
    }
    // In the drawer 13.55; rounding gained 0.02, lost 0.02, gained 0.02.
    expect([at('1000'), at('6310')]).toEqual([1355n, -2n])
  })
})

test('after all of it every tie is zero, on every day', async () => {
  expect(await s.ties()).toEqual([])
  for (let on: Day = day('2026-03-01'); on < '2026-07-05'; on = addDays(on, 9)) expect(await s.ties(on)).toEqual([])
})

test('the newest card receipt may be settled, however many older ones nobody settled', async () => {
  const receipt = await onDay('2026-09-02', takeReceipt, {
    customerId: s.customer,
    method: 'card',
    amount: '20.00',
    for: 'account',
  })
  // Six hundred of the day before, which nobody took to the bank.
  await s.db.execute(sql`
    insert into receipt (number, customer_id, on_day, method, amount, tendered, entry_id)
    select 'OLD-' || n, customer_id, on_day - 1, method, 1, 1, entry_id from receipt, generate_series(1, 600) n where id = ${receipt.id}`)
  const settled = await onDay('2026-09-03', settleCards, { receipts: [receipt.id], fees: '0.50' })
  expect(settled).toMatchObject({ net: '19.50' })
  expect(await refusedOn('2026-09-03', settleCards, { receipts: [receipt.id] })).toBe('not-to-bank')
})
