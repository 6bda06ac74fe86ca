import { beforeAll, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { readTrialBalance } from '@/model/books/books'
import { findBusiness } from '@/data/queries/business'
import { billSale } from '@/services/billing/billSale'
import { addGoods } from '@/services/goods/keepGoods'
import { addCustomer } from '@/services/people/keepCustomer'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { takeReceipt } from '@/services/money/takeReceipt'
import { refundHeld } from '@/services/money/refundHeld'
import { voidReceipt } from '@/services/money/voidReceipt'
import { agreeSale } from '@/services/sales/agreeSale'
import { arrangeSale } from '@/services/sales/arrangeSale'
import { changeSale } from '@/services/sales/changeSale'
import { cancelSale, declineSale } from '@/services/sales/closeSale'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { goodsView } from '@/model/goods/goods'
import { saleView } from '@/model/sale/saleView'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})

const balances = async (asOf = '2199-01-01') => {
  const t = await readTrialBalance(s.db, day(asOf), 'USD')
  return Object.fromEntries(
    t.rows.map((r) => [r.code, toDecimalString({ minor: r.debit.minor - r.credit.minor, currency: 'USD' })]),
  )
}
const view = async (saleId: number) => (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.today))!

describe('a counter sale of nothing', () => {
  const work = { description: 'Set-up', quantity: '1', unitPrice: '40.00' }
  test.each<[string, readonly object[], string]>([
    ['headings alone', [{ kind: 'heading', description: 'Repairs' }], 'Add something to sell.'],
    ['what may be chosen, and was not', [{ ...work, choice: 'optional', chosen: false }], 'Add something to sell.'],
    ['a gift', [{ ...work, unitPrice: '0' }], 'A counter sale must come to more than nothing.'],
  ])('%s is refused at its lines', async (_, lines, says) => {
    expect(await sellAtCounter.run(s.shop, { lines, method: 'cash' } as never)).toMatchObject({
      ok: false,
      error: { code: 'invalid', errors: [{ path: 'lines', message: says }] },
    })
    expect(await s.ties()).toEqual([])
  })
})

describe('what is refused', () => {
  test('says why, and saves nothing', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.violin, quantity: '50' }],
    })
    const lineId = sale.lines[0]!.id
    expect(await s.refusal(handOver, { saleId: sale.id })).toBe('not-agreed')
    const agreed = await s.answer(agreeSale, { saleId: sale.id })
    expect(Number(agreed.lines[0]!.short)).toBeGreaterThan(0)
    const before = await balances()
    expect(await s.refusal(handOver, { saleId: sale.id, lines: [{ lineId, quantity: '50' }] })).toBe('not-enough-stock')
    expect(await s.refusal(handOver, { saleId: sale.id, lines: [{ lineId, quantity: '51' }] })).toBe('more-than-agreed')
    expect(await s.refusal(billSale, { saleId: sale.id, what: { lines: [{ lineId, quantity: '51' }] } })).toBe(
      'more-than-to-bill',
    )
    expect(await s.refusal(billSale, { saleId: sale.id, what: 'handed-over' })).toBe('nothing-to-bill')
    expect(await s.refusal(agreeSale, { saleId: sale.id })).toBe('already-agreed')
    expect(await s.refusal(declineSale, { saleId: sale.id, reason: 'x' })).toBe('already-agreed')
    expect(await s.refusal(startSale, { customerId: 99999, lines: [] })).toBe('not-found')
    expect(await balances()).toEqual(before)
    await s.run(takeReceipt, { method: 'cash', amount: '10.00', for: [{ saleId: sale.id, amount: '10.00' }] })
    expect(await s.refusal(cancelSale, { saleId: sale.id, reason: 'x' })).toBe('held-first')
    await s.run(refundHeld, { customerId: s.customer, saleId: sale.id, amount: '10.00', method: 'cash' })
    await s.run(cancelSale, { saleId: sale.id, reason: 'Changed their mind' })
    expect(await s.refusal(arrangeSale, { saleId: sale.id, arrangement: { kind: 'now' } })).toBe('sale-closed')
  })
  test.each([
    ['an amount as a number', { customerId: 1, method: 'cash', amount: 12.5 }],
    ['a negative amount', { customerId: 1, method: 'cash', amount: '-5.00' }],
    ['too many digits', { customerId: 1, method: 'cash', amount: '5.001' }],
    ['zero', { customerId: 1, method: 'cash', amount: '0.00' }],
    ['an unknown method', { customerId: 1, method: 'beads', amount: '5.00' }],
    ['a day that does not exist', { customerId: 1, method: 'cash', amount: '5.00', on: '2026-02-30' }],
    ['nothing at all', {}],
    ['a list', []],
  ])('%s is refused as invalid', async (_, input) => {
    expect(await s.refusal(takeReceipt, input)).toBe('invalid')
  })
  test('a change keeps what was done, at its price', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      lines: [{ goodsId: s.setUp, quantity: '4' }],
    })
    const { lines } = await s.answer(agreeSale, { saleId: sale.id })
    const lineId = lines[0]!.id
    await s.run(handOver, { saleId: sale.id, lines: [{ lineId, quantity: '2' }] })
    await s.run(billSale, { saleId: sale.id, what: 'handed-over', issue: true })
    expect(await s.refusal(changeSale, { saleId: sale.id, lines: [{ lineId, goodsId: s.setUp, quantity: '1' }] })).toBe(
      'less-than-done',
    )
    expect(await s.refusal(changeSale, { saleId: sale.id, lines: [] })).toBe('less-than-done')
    expect(
      await s.refusal(changeSale, {
        saleId: sale.id,
        lines: [{ lineId, goodsId: s.setUp, quantity: '4', unitPrice: '80.00' }],
      }),
    ).toBe('price-fixed')
    const changed = await s.answer(changeSale, {
      saleId: sale.id,
      lines: [
        { lineId, goodsId: s.setUp, quantity: '3' },
        { goodsId: s.rosin, quantity: '1' },
      ],
    })
    expect(changed.lines.map((l) => l.agreed)).toEqual(['3', '1'])
    expect(changed.trail.map((t) => t.text)).toContain('Order changed')
  })
})

test('a voided receipt opens its dues again and cannot be voided twice', async () => {
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    lines: [{ goodsId: s.setUp, quantity: '1' }],
  })
  await s.run(agreeSale, { saleId: sale.id })
  const invoice = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
  const receiptId = await s.run(takeReceipt, {
    method: 'cheque',
    amount: '77.94',
    for: [{ dueId: invoice.dues[0]!.id, amount: '77.94' }],
  })
  expect((await view(sale.id)).money.open).toBe('0.00')
  s.moveTo('2026-03-31')
  await s.run(voidReceipt, { receiptId, on: '2026-03-09', reason: 'The cheque came back' })
  expect((await view(sale.id)).money.open).toBe('77.94')
  expect(await s.refusal(voidReceipt, { receiptId, reason: 'again' })).toBe('already-voided')
  expect(await s.ties(day('2026-03-05'))).toEqual([])
  expect(await s.ties()).toEqual([])
})

test('an exempt customer pays no tax, and a kit leaves as its parts', async () => {
  const school = await s.run(addCustomer, { name: 'A school', taxExempt: true })
  const kit = await s.run(addGoods, {
    code: 'KIT',
    name: 'Care box',
    kind: 'kit',
    price: '30.00',
    parts: [{ goodsId: s.rosin, quantity: '2' }],
  })
  const before = Number((await goodsView(s.db, s.rosin, (await findBusiness(s.db))!, s.shop.today))!.onHand)
  const sale = await s.answer(startSale, { customerId: school, lines: [{ goodsId: kit, quantity: '2' }] })
  expect(sale.totals).toEqual({ net: '60.00', tax: '0.00', gross: '60.00' })
  await s.run(agreeSale, { saleId: sale.id })
  await s.run(handOver, { saleId: sale.id })
  expect(Number((await goodsView(s.db, s.rosin, (await findBusiness(s.db))!, s.shop.today))!.onHand)).toBe(before - 4)
  expect(await s.ties()).toEqual([])
})
