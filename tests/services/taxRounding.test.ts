import { afterAll, beforeAll, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { copySale } from '@/services/sales/copySale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { saleView } from '@/model/sale/saleView'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

const roundPer = (taxRoundedPer: 'document' | 'line') => s.run(changeSettings, { taxRoundedPer })
const picks = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ description: `Pick ${i}`, quantity: '1', unitPrice: '0.10' }))
const grossOf = async (saleId: number) =>
  (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.today))!.totals.gross

// 8.25 % of 0.10 is 0.00825: 0.01 on each of three lines, and 0.02 (of 0.02475) on all of them.
test('a sale keeps where its tax is rounded, whatever the business says later', async () => {
  const onDocument = await s.answer(startSale, { customerId: s.customer, lines: picks(3) })
  await s.run(offerSale, { saleId: onDocument.id })
  await roundPer('line')
  const onLines = await s.answer(startSale, { customerId: s.customer, agreed: true, lines: picks(3) })
  expect(await grossOf(onDocument.id)).toBe('0.32')
  expect(onLines.totals.gross).toBe('0.33')
  const atCounter = await s.answer(sellAtCounter, { method: 'cash', lines: picks(3) })
  expect(atCounter.totals.gross).toBe('0.33')
  // What is written anew goes by what the business says now.
  expect((await s.answer(copySale, { saleId: onDocument.id })).totals.gross).toBe('0.33')
  await roundPer('document')
  expect(await grossOf(onLines.id)).toBe('0.33')
  await s.run(handOver, { saleId: onLines.id })
  const invoice = await s.answer(billSale, { saleId: onLines.id, what: 'handed-over', issue: true })
  expect(invoice.totals).toEqual({ net: '0.30', tax: '0.03', gross: '0.33' })
  expect(invoice.lines.map((l) => l.tax)).toEqual(['0.01', '0.01', '0.01'])
  expect(await s.ties()).toEqual([])
})

test('many small bills take no more tax than the sale has, and none is below zero', async () => {
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [{ description: 'Pick', quantity: '20', unitPrice: '0.08' }],
  })
  // 8.25 % of 0.08 is 0.0066, rounded 0.01; of 1.60 it is 0.132, rounded 0.13.
  expect(sale.totals).toEqual({ net: '1.60', tax: '0.13', gross: '1.73' })
  const taxes: string[] = []
  for (let i = 0; i < 20; i++) {
    const what = { lines: [{ lineId: sale.lines[0]!.id, quantity: '1' }] }
    taxes.push((await s.answer(billSale, { saleId: sale.id, what, issue: true })).totals.tax)
  }
  expect(taxes).toEqual([...Array(13).fill('0.01'), ...Array(7).fill('0.00')])
  expect(await s.ties()).toEqual([])
})
