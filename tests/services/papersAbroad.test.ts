import { beforeAll, describe, expect, test } from 'vitest'
import {
  PAPER_LANGUAGES,
  PAPER_WORDS,
  paperWords,
  type PaperKind,
  type PaperLanguage,
  type PaperWord,
} from '@/core/formats'
import { findBusiness } from '@/data/queries/business'
import { listHandovers } from '@/data/queries/handover'
import { DOCUMENTS } from '@/documents/documents'
import { makePaper } from '@/documents/make'
import { makeSlip } from '@/documents/slip'
import { changeSettings } from '@/services/access/changeSettings'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'

import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { bounceReceipt, voidReceipt } from '@/services/money/voidReceipt'
import { changeCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

const WORDS = Object.keys(PAPER_WORDS) as PaperWord[]
const FOREIGN = PAPER_LANGUAGES.filter((l) => l !== 'en')
const MONTHS = /\b(Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec) 2026/
/** Also French, of a price that changes. */
const ALSO_FOREIGN = ['Change']

let s: TestShop
let made: readonly (readonly [PaperKind, number])[]
let slips: readonly number[]
const asked = async () => ({ db: s.db, business: (await findBusiness(s.db))!, today: s.shop.today })

/** English words of the program that a language has another word for, found as words of their own. */
const englishIn = (text: string, language: PaperLanguage): readonly string[] => {
  const t = paperWords(language)
  const others = new Set(WORDS.map((w) => t(w).toLowerCase()))
  const words = WORDS.map((w) => paperWords('en')(w)).filter(
    (word) =>
      word.length > 2 &&
      !ALSO_FOREIGN.includes(word) &&
      !others.has(word.toLowerCase()) &&
      ![...others].some((other) => other.includes(word.toLowerCase()) && text.toLowerCase().includes(other)) &&
      new RegExp(`(?<![\\p{L}])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}])`, 'iu').test(text),
  )
  return [...words, ...(MONTHS.exec(text) ?? [])]
}

/** Everything of the program's on a document, the owner's and the customer's own words left out. */
const wordsOn = async (kind: PaperKind, id: number): Promise<string> => {
  const p = await DOCUMENTS[kind](await asked(), id)
  if (!p) throw new Error(`no ${kind} ${id}`)
  return [
    p.name,
    p.above,
    p.note,
    ...p.facts.flat(),
    ...p.rows.flatMap((r) => [r.what, r.note]),
    ...p.sums.map((x) => x.name),
    ...(p.parts ?? []).flatMap((x) =>
      x.as === 'table' ? [x.title, ...x.heads, ...x.rows.flat(), ...(x.total ?? [])] : [x.title, x.text],
    ),
    ...(p.signatures ?? []).flatMap((x) => [x.says, ...x.lines]),
  ].join('\n')
}

const saleWith = (arrangement: object, on = '2026-01-05', quantity = '2') =>
  s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    on,
    arrangement: arrangement as never,
    lines: [{ goodsId: s.setUp, description: 'Zqx', quantity }],
  })

beforeAll(async () => {
  s = await openTestShop({ taxCodes: [{ code: 'STD', name: 'Zqt', components: [{ name: 'Zqc', rate: '0.0825' }] }] })
  await s.run(changeSettings, {
    taxNumber: '12-345',
    paymentDetails: 'Zqp',
    bounceFee: '25.00',
    usualArrangements: { late: { charge: { percent: '1.5' }, graceDays: 10 } },
  })
  await s.run(changeCustomer, { customerId: s.customer, name: 'Zqn' })
  const terms = await saleWith({ kind: 'terms', net: 30, discountPercent: '2', discountDays: 10 })
  const invoice = await s.answer(billSale, { saleId: terms.id, what: 'remaining', issue: true, on: '2026-01-05' })
  const deposit = await saleWith({ kind: 'deposit', percent: '50' })
  const request = await s.answer(requestDeposit, { saleId: deposit.id, on: '2026-01-06' })
  const layaway = await saleWith({ kind: 'layaway', first: { percent: '20' }, months: 3, fee: { percent: '10' } })
  const installments = await saleWith({
    kind: 'installments',
    count: 3,
    every: 'month',
    firstDue: '2026-02-06',
    charge: { flat: '9.00' },
    lateCharge: { percent: '5' },
    graceDays: 5,
  })
  await s.run(handOver, { saleId: installments.id, on: '2026-01-06' })
  const [handover] = await listHandovers(s.db, [installments.id], 'USD')
  const plan = await s.answer(billSale, { saleId: installments.id, what: 'remaining', issue: true, on: '2026-01-06' })
  // 155.88 with tax: paid in part by a check that comes back, then by cash, then voided.
  const take = (method: 'cash' | 'cheque', amount: string, more: object = {}) =>
    s.answer(takeReceipt, { customerId: s.customer, method, amount, on: '2026-01-20', ...more })
  const check = await take('cheque', '60.00', { reference: '77' })
  const wrong = await take('cash', '40.00')
  await s.run(voidReceipt, { receiptId: wrong.id, reason: 'Zqr', on: '2026-01-21' })
  await s.run(bounceReceipt, { receiptId: check.id, reason: 'Zqr', on: '2026-01-22' })
  const paid = await take('cash', '100.00', { on: '2026-01-23' })
  const held = await take('cash', '30.00', { for: [{ saleId: deposit.id, amount: '30.00' }] })
  const saved = await take('cash', '31.18', { for: [{ saleId: layaway.id, amount: '31.18' }] })
  const account = await take('cash', '5.00', { for: 'account' })
  const refund = await s.answer(refundHeld, {
    customerId: s.customer,
    amount: '5.00',
    method: 'cash',
    reason: 'Zqr',
    on: '2026-01-25',
  })
  const credit = await s.answer(creditInvoice, { invoiceId: invoice.id, reason: 'Zqr', on: '2026-01-26' })
  slips = [paid.id, held.id, wrong.id]
  made = [
    ...[terms, deposit, layaway, installments].flatMap((x): [PaperKind, number][] => [
      ['estimate', x.id],
      ['confirmation', x.id],
      ['agreement', x.id],
    ]),
    ['packing-slip', handover!.id],
    ['deposit-request', request.id],
    ['invoice', invoice.id],
    ['invoice', plan.id],
    ['credit-note', credit.id],
    ...[check, wrong, paid, held, saved, account].map((x): [PaperKind, number] => ['receipt', x.id]),
    ['refund', refund.id],
    ['statement', s.customer],
    ['open-items', s.customer],
    ['reminder', s.customer],
  ]
})

describe.each(FOREIGN)('documents in %s', (language) => {
  beforeAll(async () => {
    await s.run(changeCustomer, { customerId: s.customer, language })
  })

  test('have no word and no month in English', async () => {
    const english: string[] = []
    for (const [kind, id] of made)
      for (const word of englishIn(await wordsOn(kind, id), language)) english.push(`${kind} ${id}: ${word}`)
    expect(english).toEqual([])
  })

  test('nor do the narrow slips', async () => {
    const english: string[] = []
    for (const id of slips)
      for (const word of englishIn(await pdfText((await makeSlip(await asked(), id))!.body), language))
        english.push(`slip ${id}: ${word}`)
    expect(english).toEqual([])
  })
})

test('a statement in German tells what happened, day by day', async () => {
  await s.run(changeCustomer, { customerId: s.customer, language: 'de' })
  const { rows } = (await DOCUMENTS.statement(await asked(), s.customer))!
  const says = rows.map((r) => `${r.cells.date}: ${r.what}`.replace(/ [A-Z]*-?(20)?\d\d-\d+$/, ' #'))
  expect(says).toEqual(
    expect.arrayContaining([
      '5. Jan. 2026: Rechnung #',
      '20. Jan. 2026: Quittung #',
      '21. Jan. 2026: Storniert: Quittung #',
      '22. Jan. 2026: Rückbuchung: Quittung #',
      '22. Jan. 2026: Gebühr für Rückscheck #',
      '26. Jan. 2026: Gutschrift #',
    ]),
  )
})

test('a credit note says where its money went: off what is open, the rest to the account', async () => {
  await s.run(changeCustomer, { customerId: s.customer, language: 'en' })
  const id = made.find(([kind]) => kind === 'credit-note')![1]
  const { sums } = (await DOCUMENTS['credit-note'](await asked(), id))!
  // 155.88 in all. The check and the first cash came back; of the 100.00 that stayed 25.00 paid the fee that was due first.
  expect(sums.slice(-2)).toEqual([
    { name: 'Taken off what you owe', amount: '80.88' },
    { name: 'Credited to your account', amount: '75.00' },
  ])
})

test('a business of another region writes its documents as the region does', async () => {
  await s.run(changeSettings, { locale: 'de-AT' })
  const invoice = made.find(([kind]) => kind === 'invoice')![1]
  const text = await pdfText((await makePaper(await asked(), 'invoice', invoice))!)
  expect(text).toContain('155,88')
  expect(text).not.toContain('155.88')
  await s.run(changeSettings, { locale: 'en-US' })
  expect(await pdfText((await makePaper(await asked(), 'invoice', invoice))!)).toContain('155.88')
})
