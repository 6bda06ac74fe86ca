import { afterAll, beforeAll, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { daysItLasts, marginOf, turnsAYear } from '@/core/stock'
import { readTurnover } from '@/model/goods/turnover'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { addGoods } from '@/services/goods/keepGoods'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

const rows = async (from: string, to: string) => {
  const where = { db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today, currency: 'USD' }
  return (await readTurnover(where, { from: day(from), to: day(to) })).map((r) => [
    r.name,
    r.sold.toString(),
    toDecimalString(r.income),
    toDecimalString(r.profit),
    marginOf(r.income, r.cost)?.toString(),
    turnsAYear(r, r.days)?.toString(),
    daysItLasts(r, r.days)?.toString(),
    r.lastSold,
  ])
}

test('tells what each thing brought in the days asked for, kits as kits, less what came back', async () => {
  const kit = await s.run(addGoods, {
    code: 'K',
    name: 'Starter',
    kind: 'kit',
    price: '1010.00',
    parts: [{ goodsId: s.violin, quantity: '1' }],
  })
  const sell = (goodsId: number, quantity: string, on: string) =>
    s.answer(sellAtCounter, { on, lines: [{ goodsId, quantity }], method: 'card' })
  await sell(s.rosin, '4', '2026-01-15')
  const sold = await sell(s.rosin, '6', '2026-02-10')
  await sell(kit, '1', '2026-02-20')
  await s.run(creditInvoice, {
    on: '2026-02-25',
    invoiceId: sold.id,
    lines: [
      {
        lineId: (
          await s.db.execute<{ id: number }>(
            `select sale_line_id as id from invoice_line where invoice_id = ${sold.id}`,
          )
        )[0]!.id,
        quantity: '1',
      },
    ],
    reason: 'Dry',
    returnGoods: true,
    refund: 'cash',
  })
  const february = await rows('2026-02-01', '2026-02-28')
  // Five rosin at 12.50 that cost 6.00 each; 11 are left, worth 66.00: 30.00 × 365 ÷ 28 ÷ 66.00 = 5.9 turns, and 11 × 28 ÷ 5 days.
  expect(february).toContainEqual(['Rosin', '5', '62.50', '32.50', '52', '5.9', '62', '2026-02-10'])
  // The violin went in the kit: its cost is the kit's, and four of five lie.
  expect(february).toContainEqual(['Starter', '1', '1010.00', '410.00', '40.6', undefined, undefined, '2026-02-20'])
  expect(february).toContainEqual(['Violin', '0', '0.00', '0.00', undefined, '0', undefined, null])
  expect(await rows('2025-12-01', '2025-12-31')).toContainEqual([
    'Rosin',
    '0',
    '0.00',
    '0.00',
    undefined,
    '0',
    undefined,
    null,
  ])
})
