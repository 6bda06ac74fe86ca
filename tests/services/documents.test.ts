import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { beforeAll, describe, expect, test } from 'vitest'
import { paperKind } from '@/contract/layout'
import { PAPER_LANGUAGES, paperName, traitsOf, type PaperKind } from '@/core/formats'
import { findBusiness, type Business } from '@/data/queries/business'
import { listHandovers } from '@/data/queries/handover'
import { makePaper } from '@/documents/make'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { changeCustomer } from '@/services/people/keepCustomer'
import { readDraftLetter } from '@/services/post/writeLetter'
import { agreeSale } from '@/services/sales/agreeSale'
import { handOver } from '@/services/sales/handOver'
import { listAccounts } from '@/data/queries/accounts'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier } from '@/services/buying/keepSupplier'
import { orderGoods } from '@/services/buying/orderGoods'
import { paySupplier } from '@/services/buying/paySupplier'
import { changeGoods } from '@/services/goods/keepGoods'
import { offerSale } from '@/services/sales/offerSale'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { lyingOver, pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
const ids = {} as Record<PaperKind, number>
/** What must stand in each: figures from the story below, tax 8.25 %. */
const SAYS: Readonly<Record<PaperKind, readonly string[]>> = {
  estimate: ['2,000.00', '165.00', '2,165.00'],
  confirmation: ['2,000.00', '165.00', '2,165.00'],
  'pick-list': ['VN'],
  'packing-slip': ['VN'],
  'deposit-request': ['866.00'], // 40 % of 2,165.00
  invoice: ['1,000.00', '82.50', '1,082.50'],
  'credit-note': ['100.00', '8.25', '108.25'],
  receipt: ['500.00'],
  refund: ['25.00', 'Transfer'],
  statement: ['474.25', '1,082.50', '500.00'], // 1,082.50 − 500.00 − 108.25
  reminder: ['474.25'],
  agreement: ['1,082.50', '360.84', '360.83'],
  'open-items': ['474.25'],
  'purchase-order': ['HA-R', '24.00', '2026'],
  remittance: ['HA-9', '49.00', '1.00'], // 50.00 with 2 % for paying early
}
/** In our own language, whatever theirs is. */
const IN_ENGLISH: readonly PaperKind[] = ['pick-list', 'purchase-order', 'remittance']
const KINDS = paperKind.options

beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example' })
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    arrangement: { kind: 'deposit', percent: '40' },
    lines: [{ goodsId: s.violin, quantity: '2' }],
  })
  await s.run(offerSale, { saleId: sale.id, on: '2026-01-10' })
  await s.run(agreeSale, { saleId: sale.id, on: '2026-01-11' })
  const request = await s.answer(requestDeposit, { saleId: sale.id, on: '2026-01-11' })
  const other = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    on: '2026-01-12',
    arrangement: { kind: 'now' },
    lines: [{ goodsId: s.violin, quantity: '1' }],
  })
  await s.run(handOver, { saleId: other.id, on: '2026-01-12' })
  const invoice = await s.answer(billSale, { saleId: other.id, what: 'handed-over', issue: true, on: '2026-01-12' })
  const credit = await s.answer(creditInvoice, {
    invoiceId: invoice.id,
    amount: '108.25',
    reason: 'x',
    on: '2026-01-13',
  })
  const receipt = await s.answer(takeReceipt, {
    customerId: s.customer,
    method: 'transfer',
    amount: '500.00',
    for: [{ dueId: invoice.dues[0]!.id, amount: '500.00' }],
    on: '2026-01-14',
  })
  await s.run(takeReceipt, {
    customerId: s.customer,
    method: 'transfer',
    amount: '40.00',
    for: 'account',
    on: '2026-01-15',
  })
  const refund = await s.answer(refundHeld, {
    customerId: s.customer,
    amount: '25.00',
    method: 'transfer',
    on: '2026-01-16',
  })
  const planned = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    arrangement: { kind: 'installments', count: 3, every: 'month', firstDue: '2026-04-01' },
    lines: [{ goodsId: s.violin, quantity: '1' }],
  })
  const [handover] = await listHandovers(s.db, [other.id], 'USD')
  const supplierId = await s.run(addSupplier, {
    name: 'Hazel Adair Strings',
    email: 'hazel@mail.example',
    terms: { net: 30, discountPercent: '2', discountDays: 10 },
  })
  await s.run(changeGoods, { goodsId: s.rosin, suppliers: [{ supplierId, code: 'HA-R', unitCost: '6.00' }] })
  const order = await s.answer(orderGoods, { supplierId, lines: [{ goodsId: s.rosin, quantity: '4' }] })
  const rent = (await listAccounts(s.db)).find((a) => a.code === '6000')!
  const bill = await s.answer(enterBill, {
    supplierId,
    theirNumber: 'HA-9',
    lines: [{ accountId: rent.id, amount: '50.00' }],
  })
  const paid = await s.answer(paySupplier, { supplierId, from: 'bank', amount: '49.00' })
  expect(bill.open).toBe('50.00')
  Object.assign(ids, {
    'purchase-order': order.id,
    remittance: paid.id,
    estimate: sale.id,
    confirmation: sale.id,
    'pick-list': sale.id,
    'packing-slip': handover!.id,
    'deposit-request': request.id,
    invoice: invoice.id,
    'credit-note': credit.id,
    receipt: receipt.id,
    refund: refund.id,
    statement: s.customer,
    reminder: s.customer,
    agreement: planned.id,
    'open-items': s.customer,
  } satisfies Record<PaperKind, number>)
})

const made = (kind: PaperKind, id = ids[kind]) => makePaper({ db: s.db, business, today: s.today }, kind, id)

describe.each(KINDS)('a document: %s', (kind) => {
  test('says whose it is, what it is, and figures that are right', async () => {
    const text = await pdfText((await made(kind))!)
    expect(text).toContain('Hazel Adair')
    expect(text).toContain(paperName(kind, 'en'))
    for (const part of SAYS[kind]) expect(text).toContain(part)
    if (traitsOf(kind).withoutPrices) expect(text).not.toContain('1,000.00')
  })

  test.each(PAPER_LANGUAGES)('is written in %s, its letter too', async (language) => {
    await s.run(changeCustomer, { customerId: s.customer, language })
    const pdf = (await made(kind))!
    expect(await lyingOver(pdf)).toEqual([])
    const text = await pdfText(pdf)
    // Hebrew is laid out from the right: its words stand as they are drawn. The pick list is for the owner alone.
    if (IN_ENGLISH.includes(kind)) expect(text).toContain(paperName(kind, 'en'))
    else if (language !== 'he') expect(text).toContain(paperName(kind, language))
    if (kind !== 'pick-list') {
      const letter = (await readDraftLetter(s.db, { paper: kind, paperId: ids[kind] }, business, s.today))!
      expect(letter).toMatchObject({ to: 'hazel@mail.example' })
      // Everything a letter can say is filled in; its link is given when it goes.
      expect(`${letter.subject} ${letter.body}`.replaceAll('{link}', '')).not.toMatch(/\{\w+\}/)
    }
    await s.run(changeCustomer, { customerId: s.customer, language: 'en' })
  })

  test('of what is not there is none', async () => {
    expect(await made(kind, 999_999)).toBeNull()
  })
})

test('what the business says at the foot stands whole, above the end of the page and below everything else', async () => {
  const said = `${'Payable to the workshop within thirty days. '.repeat(11)}Kept in tune.`
  const whole = makePaper({ db: s.db, business: { ...business, footer: said }, today: s.today }, 'invoice', ids.invoice)
  const pdf = (await whole)!
  expect((await pdfText(pdf)).match(/within thirty days\./g)).toHaveLength(11)
  expect(await pdfText(pdf)).toContain('Kept in tune.')
  expect(await lyingOver(pdf)).toEqual([])
  const page = await (await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise).getPage(1)
  const heights = (await page.getTextContent()).items.flatMap((i) =>
    'str' in i && i.str.trim() ? [i.transform[5]] : [],
  )
  // A printer leaves a quarter of an inch empty: 18 points.
  expect(Math.min(...heights)).toBeGreaterThanOrEqual(18)
})
