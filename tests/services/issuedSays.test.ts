import { afterAll, beforeAll, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { makePaper } from '@/documents/make'
import { makeUbl } from '@/documents/ubl'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { changeSale } from '@/services/sales/changeSale'
import { startSale } from '@/services/sales/startSale'
import { pdfText } from './pdfText'
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
