import { afterAll, beforeAll, expect, test } from 'vitest'
import { paperOfInvoice } from '@/documents/invoice'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { findBusiness } from '@/data/queries/business'
import { makePaper } from '@/documents/make'
import { makeUbl } from '@/documents/ubl'
import { changeSettings } from '@/services/access/changeSettings'
import { changeTaxCode } from '@/services/books/addTaxCode'
import { changeGoods, addGoods } from '@/services/goods/keepGoods'
import { makeSlip } from '@/documents/slip'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { changeSale } from '@/services/sales/changeSale'
import { startSale } from '@/services/sales/startSale'
import { pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

const asked = async () => ({ db: s.db, business: (await findBusiness(s.db))!, today: s.today })
const textOf = async (invoiceId: number) =>
  (await pdfText((await makePaper(await asked(), 'invoice', invoiceId))!)).replace(/\s+/g, ' ')
const ublOf = async (invoiceId: number) => (await makeUbl(await asked(), invoiceId))!.body as string

test('what is issued says what it said, whatever becomes of its customer and its order', async () => {
  const customerId = await s.run(addCustomer, {
    name: 'Orla Vance',
    addresses: [{ kind: 'bill-to', text: '1 Old Street\nHarbour' }],
  })
  const lines = [{ description: 'Cello, restored', quantity: '2', unitPrice: '500.00' }]
  const words = { noteAbove: 'Thank you for waiting.', note: 'Two years of care.', purchaseOrder: 'OV-1' }
  const sale = await s.answer(startSale, { customerId, agreed: true, lines, deliverTo: '2 Old Yard', ...words })
  const lineId = sale.lines[0]!.id
  const bill = (issue: boolean) =>
    s.answer(billSale, { saleId: sale.id, what: { lines: [{ lineId, quantity: '1' }] }, issue })
  const issued = await bill(true)
  const counter = await s.answer(sellAtCounter, { customerId, method: 'cash', lines })
  const said = [await textOf(issued.id), await ublOf(issued.id), await textOf(counter.id)]
  for (const part of [
    'Orla Vance',
    '1 Old Street',
    '2 Old Yard',
    'Thank you for waiting.',
    'Two years of care.',
    'OV-1',
  ])
    expect(said[0]).toContain(part)
  expect(said[1]).toContain('1 Old Street')

  await s.run(changeCustomer, {
    customerId,
    name: 'Vance Strings Ltd',
    addresses: [{ kind: 'bill-to', text: '9 New Quay' }],
    exemptNumber: 'EX-77',
  })
  await s.run(changeSale, { saleId: sale.id, billTo: '9 New Quay', deliverTo: '', note: 'Other words.', noteAbove: '' })
  expect([await textOf(issued.id), await ublOf(issued.id), await textOf(counter.id)]).toEqual(said)
  // A draft says what holds now; a credit note goes where its invoice went.
  const draft = await textOf((await bill(false)).id)
  for (const part of ['Vance Strings Ltd', '9 New Quay', 'Other words.']) expect(draft).toContain(part)
  const note = await s.answer(creditInvoice, { invoiceId: issued.id, reason: 'A crack' })
  const noteText = await textOf(note.id)
  expect(noteText).toContain('1 Old Street')
  expect(noteText).not.toContain('9 New Quay')
})

test('and whatever becomes of who sold, of the taxes, the code of goods and the headings of its sale', async () => {
  const before = (await findBusiness(s.db))!
  await s.run(changeSettings, {
    address: '3 Fern Hollow',
    taxNumber: 'US-OLD-1',
    conditions: 'Paid within a month.',
  })
  const goodsId = await s.run(addGoods, { code: 'BOW-1', name: 'Bow', kind: 'work', price: '80.00' })
  const customerId = await s.run(addCustomer, { name: 'Ines Vale' })
  const lines = [
    { kind: 'heading' as const, description: 'Playing' },
    { goodsId, description: 'Bow', quantity: '1', unitPrice: '80.00' },
    { kind: 'text' as const, description: 'Handle with care' },
  ]
  const sale = await s.answer(startSale, { customerId, agreed: true, lines })
  const issued = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
  const counter = await s.answer(sellAtCounter, { customerId, method: 'cash', lines: lines.slice(1, 2) })
  const receiptId = counter.receiptId!
  const slip = async () =>
    (await pdfText((await makeSlip(await asked(), receiptId))!.body as Buffer)).replace(/\s+/g, ' ')
  const receipt = async () =>
    (await pdfText((await makePaper(await asked(), 'receipt', receiptId))!)).replace(/\s+/g, ' ')
  const codes = async (id: number) =>
    (await paperOfInvoice(await asked(), id))!.rows.map((r) => r.cells.code ?? '').join('')
  const all = async () => [
    await textOf(issued.id),
    await ublOf(issued.id),
    await textOf(counter.id),
    await slip(),
    await receipt(),
    await codes(issued.id),
  ]
  const said = await all()
  for (const part of [before.name, '3 Fern Hollow', 'US-OLD-1', 'Paid within a month.', 'Playing', 'Handle with care'])
    expect(said[0]).toContain(part)
  const code = said.pop()!
  expect(code).toContain('BOW-1')
  for (const part of [before.name, '3 Fern Hollow', 'US-OLD-1']) for (const text of said) expect(text).toContain(part)

  await s.run(changeSettings, {
    name: 'Valley Strings',
    address: '12 High Road',
    taxNumber: 'US-NEW-2',
    conditions: 'Paid at once.',
  })
  await s.run(changeGoods, { goodsId, code: 'BOW-2' })
  await s.run(changeTaxCode, { taxCodeId: (await readPlainTaxCodes(s.db, s.today))[0]!.id, name: 'Another tax' })
  const lineId = sale.lines.find((l) => l.description === 'Bow')!.id
  await s.run(changeSale, {
    saleId: sale.id,
    rolledUp: true,
    lines: [
      { kind: 'heading', description: 'Something else' },
      { lineId, goodsId, description: 'Bow', quantity: '1', unitPrice: '80.00' },
    ],
  })
  expect(await all()).toEqual([...said, code])

  // What is issued from now on says what holds now; a credit note is of who writes it.
  const next = await s.answer(sellAtCounter, { customerId, method: 'cash', lines: lines.slice(1, 2) })
  const nextText = await textOf(next.id)
  for (const part of ['Valley Strings', '12 High Road', 'US-NEW-2', 'Another tax']) expect(nextText).toContain(part)
  const note = await s.answer(creditInvoice, { invoiceId: issued.id, reason: 'A crack' })
  const noteText = await textOf(note.id)
  expect([await codes(next.id), await codes(note.id)]).toEqual(['BOW-2', 'BOW-1'])
  for (const part of ['Valley Strings', 'Playing']) expect(noteText).toContain(part)
  expect(noteText).not.toContain('Another tax')
})
