import { afterEach, beforeEach, expect, test } from 'vitest'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { addTaxCode, addTaxRate } from '@/services/books/addTaxCode'
import { takeReceipt } from '@/services/money/takeReceipt'
import { readTrialBalance, taxView } from '@/model/books/books'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { saleView } from '@/model/sale/saleView'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { changeSale } from '@/services/sales/changeSale'
import { startSale } from '@/services/sales/startSale'
import { draftTotals } from '@/ui/sale/draftTotals'
import { emptyLine, fromSaved, IN_STORE } from '@/ui/sale/lineDraft'
import { openTestShop, type TestShop } from './shop'
import { readSheet } from '@/model/sale/readSheet'

/** Tax 8 %; 10 % from 10 March. Today is 20 March. */
let s: TestShop
const open = async (pricesIncludeTax = false) => {
  s = await openTestShop({
    pricesIncludeTax,
    taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.08' }] }],
  })
  s.moveTo('2026-03-20')
}
beforeEach(() => open())
afterEach(() => s.close())

const newRates = (from = '2026-03-10', rate = '0.1') =>
  s.run(addTaxRate, { taxCodeId: 1, from, components: [{ name: 'Tax', rate }] })
const agreed = (on: string, more: object = {}) =>
  s.answer(startSale, {
    on,
    agreed: true,
    customerId: s.customer,
    lines: [{ description: 'Cello, restored', quantity: '2', unitPrice: '500.00' }],
    ...more,
  })
const bill = (saleId: number, lineId: number, on: string) =>
  s.answer(billSale, { saleId, what: { lines: [{ lineId, quantity: '1' }] }, issue: true, on })
const view = async (saleId: number) => (await saleView(s.db, saleId, (await findBusiness(s.db))!, day('2026-03-20')))!
const balance = async (code: string): Promise<string> => {
  const row = (await readTrialBalance(s.db, day('2026-03-31'), 'USD')).rows.find((r) => r.code === code)
  return toDecimalString({ minor: (row?.debit.minor ?? 0n) - (row?.credit.minor ?? 0n), currency: 'USD' })
}
const everyDay = async (): Promise<void> => {
  for (let d = 1; d <= 20; d++) expect(await s.ties(day(`2026-03-${String(d).padStart(2, '0')}`))).toEqual([])
}

test('bills take the rates of their own day, and the sale comes to what its bills come to', async () => {
  await newRates()
  const sale = await agreed('2026-03-01')
  const lineId = sale.lines[0]!.id
  expect(sale.totals).toEqual({ net: '1000.00', tax: '80.00', gross: '1080.00' })
  const one = await bill(sale.id, lineId, '2026-03-09')
  expect(one.totals).toEqual({ net: '500.00', tax: '40.00', gross: '540.00' })
  expect((await view(sale.id)).totals.gross).toBe('1080.00')
  const two = await bill(sale.id, lineId, '2026-03-10')
  expect(two.totals).toEqual({ net: '500.00', tax: '50.00', gross: '550.00' })
  expect(await view(sale.id)).toMatchObject({
    totals: { net: '1000.00', tax: '90.00', gross: '1090.00' },
    money: { notBilled: '0.00', open: '1090.00' },
  })
  await s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount: '1090.00' })
  expect(await view(sale.id)).toMatchObject({ money: { open: '0.00', held: '0.00' } })
  const report = await taxView(s.db, { from: day('2026-03-01'), to: day('2026-03-31') }, 'USD')
  expect(report.rows.map((r) => [r.rate, r.net, r.tax])).toEqual([
    ['0.08', '500.00', '40.00'],
    ['0.1', '500.00', '50.00'],
  ])
  // What the sheet shows above its total adds up to it.
  const sheet = (await readSheet(s.db, sale.id, (await findBusiness(s.db))!, day('2026-03-20')))!
  const { net, gross } = sheet.story.totals
  expect(sheet.taxes.map((t) => [t.name, toDecimalString(t.amount)])).toEqual([
    ['Sales tax: Tax 8%', '80.00'],
    ['Tax at the rates of its invoices', '10.00'],
  ])
  expect(sheet.taxes.reduce((sum, t) => sum + t.amount.minor, net.minor)).toBe(gross.minor)
  // One authority, one account, whatever the rate.
  expect(await balance('2201')).toBe('-90.00')
  await everyDay()
})

test('a bill dated back takes the old rates, a credit note those of its invoice', async () => {
  await newRates()
  const sale = await agreed('2026-03-12')
  expect(sale.totals.tax).toBe('100.00')
  const old = await bill(sale.id, sale.lines[0]!.id, '2026-03-09')
  expect(old.totals.tax).toBe('40.00')
  expect((await view(sale.id)).totals).toEqual({ net: '1000.00', tax: '90.00', gross: '1090.00' })
  const note = await s.answer(creditInvoice, { invoiceId: old.id, reason: 'Back', on: '2026-03-15' })
  expect(note.totals).toEqual({ net: '500.00', tax: '40.00', gross: '540.00' })
  expect(await balance('2201')).toBe('0.00')
  await everyDay()
})

test('a credit to be billed again is billed at the rates of the new day', async () => {
  await newRates()
  const sale = await agreed('2026-03-01')
  const old = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true, on: '2026-03-05' })
  await s.run(creditInvoice, {
    invoiceId: old.id,
    reason: 'Wrong address',
    billAgain: true,
    on: '2026-03-15',
  })
  const again = await s.answer(billSale, {
    saleId: sale.id,
    what: 'remaining',
    issue: true,
    on: '2026-03-15',
  })
  expect(again.totals).toEqual({ net: '1000.00', tax: '100.00', gross: '1100.00' })
  expect(await view(sale.id)).toMatchObject({ totals: { gross: '1100.00' }, money: { notBilled: '0.00' } })
  await everyDay()
})

test('with tax in the price, the price stays and the net moves', async () => {
  await s.close()
  await open(true)
  await newRates()
  const sale = await agreed('2026-03-01')
  // 500.00 with 8 %: 462.96 and 37.04; with 10 %: 454.55 and 45.45.
  expect((await bill(sale.id, sale.lines[0]!.id, '2026-03-09')).totals).toEqual({
    net: '462.96',
    tax: '37.04',
    gross: '500.00',
  })
  expect((await bill(sale.id, sale.lines[0]!.id, '2026-03-11')).totals).toEqual({
    net: '454.55',
    tax: '45.45',
    gross: '500.00',
  })
  expect(await view(sale.id)).toMatchObject({ totals: { gross: '1000.00' }, money: { notBilled: '0.00' } })
  await everyDay()
})

test('a deposit and its tax go onto a bill at other rates, and nothing is left of them', async () => {
  await s.run(changeSettings, { taxOnDeposits: true })
  await newRates()
  const sale = await agreed('2026-03-01', { arrangement: { kind: 'deposit', percent: '50' } })
  await s.run(takeReceipt, {
    customerId: s.customer,
    method: 'cash',
    amount: '540.00',
    for: [{ saleId: sale.id, amount: '540.00' }],
    on: '2026-03-02',
  })
  expect(await balance('2201')).toBe('-40.00')
  const all = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true, on: '2026-03-12' })
  expect(all).toMatchObject({ totals: { gross: '1100.00' }, heldApplied: '540.00', open: '560.00' })
  expect([await balance('2201'), await balance('2290'), await balance('2100')]).toEqual(['-100.00', '0.00', '0.00'])
  await everyDay()
})

test('a plan over bills at two rates shares its charge by what the sale comes to', async () => {
  await newRates()
  const sale = await agreed('2026-03-01', {
    arrangement: {
      kind: 'installments',
      count: 2,
      every: 'month',
      firstDue: '2026-04-01',
      charge: { flat: '10.01' },
    },
  })
  await bill(sale.id, sale.lines[0]!.id, '2026-03-09')
  await bill(sale.id, sale.lines[0]!.id, '2026-03-10')
  // 540.00 and 550.00, and the charge once
  expect((await view(sale.id)).money).toMatchObject({ open: '1100.01', notBilled: '0.00' })
  await everyDay()
})

test('what was agreed and partly invoiced keeps its tax where its customer is exempt by now; what is added is exempt', async () => {
  const customerId = await s.run(addCustomer, { name: 'Soon Exempt' })
  const sale = await s.answer(startSale, {
    customerId,
    agreed: true,
    lines: [{ description: 'Cello, restored', quantity: '2', unitPrice: '500.00' }],
  })
  const [cello] = sale.lines
  await s.run(billSale, { saleId: sale.id, what: { lines: [{ lineId: cello!.id, quantity: '1' }] }, issue: true })
  await s.run(changeCustomer, { customerId, taxExempt: true, exemptNumber: 'EX-7' })
  const lines = [
    { lineId: cello!.id, description: cello!.description, quantity: '2', unitPrice: '500.00', taxCode: cello!.taxCode },
    { description: 'Case', quantity: '1', unitPrice: '100.00', taxCode: cello!.taxCode },
  ]
  const changed = await s.answer(changeSale, { saleId: sale.id, lines })
  expect(changed.lines.map((l) => l.taxCode)).toEqual([cello!.taxCode, 'EXEMPT'])
  // The screen says the same before.
  const codes = await readPlainTaxCodes(s.db, s.today)
  const typed = [fromSaved(cello!, { agreed: true }), { ...emptyLine(cello!.taxCode), unitPrice: '100.00' }]
  const settings = { currency: 'USD', pricesIncludeTax: false, roundPer: 'document' as const, codes, exempt: true }
  expect(toDecimalString(draftTotals(typed, '', { ...settings, ...IN_STORE }).tax)).toBe(changed.totals.tax)
})

test('a change to what is agreed keeps the rates of the lines that stay', async () => {
  await newRates()
  const sale = await agreed('2026-03-01')
  const line = { id: sale.lines[0]!.id, description: 'Cello, restored', quantity: '2', unitPrice: '500.00' }
  // The screen says before what the command does: the line that stays at its rates, the new one at today's.
  const codes = await readPlainTaxCodes(s.db, day('2026-03-20'))
  const typed = [fromSaved(sale.lines[0]!, { agreed: true }), { ...emptyLine('STD'), unitPrice: '100.00' }]
  const shown = draftTotals(typed, '', {
    currency: 'USD',
    pricesIncludeTax: false,
    roundPer: 'document',
    codes,
    exempt: false,
    ...IN_STORE,
  })
  expect([toDecimalString(shown.tax), toDecimalString(shown.gross)]).toEqual(['90.00', '1190.00'])
  const changed = await s.answer(changeSale, {
    saleId: sale.id,
    lines: [line, { description: 'Case', quantity: '1', unitPrice: '100.00' }],
    on: '2026-03-15',
  })
  // 1,000.00 at 8 % and 100.00 at 10 %
  expect(changed.totals).toEqual({ net: '1100.00', tax: '90.00', gross: '1190.00' })
})

test('rates begin later than those there are, and than every paper at the old ones', async () => {
  const sale = await agreed('2026-03-01')
  await bill(sale.id, sale.lines[0]!.id, '2026-03-12')
  const early = await addTaxRate.answer(
    s.shop,
    { taxCodeId: 1, from: '2026-03-12', components: [{ name: 'Tax', rate: '0.1' }] },
    null,
  )
  expect(early).toMatchObject({ ok: false, error: { code: 'not-before', from: '2026-03-13' } })
  await newRates('2026-04-01')
  expect(
    await s.refusal(addTaxRate, { taxCodeId: 1, from: '2026-04-01', components: [{ name: 'Tax', rate: '0.11' }] }),
  ).toBe('invalid')
  const zero = await s.run(addTaxCode, { code: 'NIL', name: 'None', components: [] })
  expect(
    await s.refusal(addTaxRate, { taxCodeId: zero, from: '2026-05-01', components: [{ name: 'Tax', rate: '0.1' }] }),
  ).toBe('invalid')
  const [std] = await readPlainTaxCodes(s.db, day('2026-04-01'))
  expect(std).toMatchObject({
    id: 1,
    components: [{ rate: '0.1' }],
    rates: [
      { from: null, components: [{ rate: '0.08' }] },
      { from: '2026-04-01', components: [{ rate: '0.1' }] },
    ],
  })
  expect((await readPlainTaxCodes(s.db, day('2026-03-31')))[0]).toMatchObject({
    components: [{ rate: '0.08' }],
  })
})
