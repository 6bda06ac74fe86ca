import { beforeAll, describe, expect, test } from 'vitest'
import { parseMoney, sumMoney, toDecimalString } from '@/core/money'
import { findBusiness, type Business } from '@/data/queries/business'
import { DOCUMENTS } from '@/documents/documents'
import { makeNamedPaper } from '@/documents/make'
import type { PaperTable, PaperWords } from '@/documents/paper'
import { changeSettings } from '@/services/access/changeSettings'
import { billSale } from '@/services/billing/billSale'
import { remind } from '@/services/chase/remind'
import { takeReceipt } from '@/services/money/takeReceipt'
import { changeCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
const asked = () => ({ db: s.db, business, today: s.shop.today })
const paper = async (kind: keyof typeof DOCUMENTS, id: number) => (await DOCUMENTS[kind](asked(), id))!
const wordsOf = (p: { parts?: readonly unknown[] }) =>
  (p.parts ?? []).find((x): x is PaperWords => (x as PaperWords).as === 'words')
const tableOf = (p: { parts?: readonly unknown[] }) =>
  (p.parts ?? []).find((x): x is PaperTable => (x as PaperTable).as === 'table')
const read = (text: string) => {
  const parsed = parseMoney(text.replaceAll(',', ''), 'EUR')
  if (!parsed.ok) throw new Error(text)
  return parsed.value
}
const sum = (texts: readonly string[]) => toDecimalString(sumMoney(texts.map(read), 'EUR'))

/** An invoice over so many of the work at 72.00, tax 8.25 %. */
const invoiceOf = async (arrangement: Record<string, unknown>, quantity = '1') => {
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    on: '2026-01-05',
    arrangement: arrangement as never,
    lines: [{ goodsId: s.setUp, quantity }],
  })
  return s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true, on: '2026-01-05' })
}

beforeAll(async () => {
  s = await openTestShop({ currency: 'EUR' })
  await s.run(changeSettings, {
    taxNumber: '12-345',
    iban: 'de89 3704 0044 0532 0130 00',
    bic: 'cobadeffxxx',
    paymentDetails: 'Checks to Tern Strings',
    conditions: 'Goods stay ours until they are paid.',
    usualArrangements: { late: { charge: { percent: '1.5' }, graceDays: 10 } },
  })
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example', taxExempt: false })
  business = (await findBusiness(s.db))!
})

describe('how a document is paid', () => {
  test('stands on an invoice: account, what to quote, a code for banking apps, the discount, the late fee', async () => {
    const invoice = await invoiceOf({ kind: 'terms', net: 30, discountPercent: '2', discountDays: 10 })
    const made = await paper('invoice', invoice.id)
    // 72.00 + 5.94 = 77.94; 2 % of it is 1.56 (1.5588).
    expect(wordsOf(made)?.text.split('\n')).toEqual([
      'Checks to Tern Strings',
      'IBAN DE89 3704 0044 0532 0130 00, BIC COBADEFFXXX',
      `Please quote: Invoice ${invoice.number}`,
      'If paid by 15 Jan 2026: 76.38 EUR (Early-payment discount 1.56)',
      'Late fee: 1.5%, 10 days after the due date',
    ])
    expect(wordsOf(made)?.code).toBe(
      `BCD\n002\n1\nSCT\nCOBADEFFXXX\nTest\nDE89370400440532013000\nEUR77.94\n\n\nInvoice ${invoice.number}`,
    )
    expect(made.conditions).toBe('Goods stay ours until they are paid.')
    const file = (await makeNamedPaper(asked(), 'invoice', invoice.id))!
    expect(file.name).toBe(`invoice-${invoice.number}.pdf`)
    const text = await pdfText(file.body)
    expect(text).toContain('Tax ID 12-345')
    expect(text).toContain('Payment terms Net 30 days')
  })

  test('asks for what is left where money was held before', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      agreed: true,
      on: '2026-01-05',
      arrangement: { kind: 'deposit', percent: '50' },
      lines: [{ goodsId: s.setUp, quantity: '1' }],
    })
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'transfer',
      amount: '38.97',
      for: [{ saleId: sale.id, amount: '38.97' }],
      on: '2026-01-05',
    })
    const { id } = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true, on: '2026-01-06' })
    // Half of 77.94 is held.
    expect(wordsOf(await paper('invoice', id))?.code).toContain('\nEUR38.97\n')
  })

  test('in parts says them in a table that adds up to the total', async () => {
    const invoice = await invoiceOf({ kind: 'terms', net: 30, parts: 3 }, '10')
    const made = await paper('invoice', invoice.id)
    const table = tableOf(made)!
    expect(table.heads).toEqual(['Due', 'Payment'])
    expect(table.rows).toHaveLength(3)
    // 720.00 + 59.40
    expect(table.total).toEqual(['Total', '779.40'])
    expect(sum(table.rows.map((r) => r[1]!))).toBe('779.40')
    // The facts beside the address no longer say each of them.
    expect(made.facts.filter(([name]) => name === 'Due')).toEqual([])
  })

  test('by installments shows what each of them costs, and what all come to', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      agreed: true,
      on: '2026-01-05',
      arrangement: {
        kind: 'installments',
        count: 4,
        every: 'month',
        firstDue: '2026-02-05',
        charge: { flat: '20.00' },
      } as never,
      lines: [{ goodsId: s.setUp, quantity: '5' }],
    })
    await s.run(handOver, { saleId: sale.id, on: '2026-01-06' })
    const { id } = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true, on: '2026-01-06' })
    const table = tableOf(await paper('invoice', id))!
    expect(table.heads).toEqual(['Due', 'Principal', 'Finance charge', 'Payment'])
    // 360.00 + 29.70 = 389.70 of goods and tax, 20.00 of charge.
    expect(table.total).toEqual(['Total', '389.70', '20.00', '409.70'])
    for (const column of [1, 2, 3]) expect(sum(table.rows.map((r) => r[column]!))).toBe(table.total![column])
  })

  test('is not said where nothing is set, and a draft says it is none', async () => {
    const plain = await openTestShop()
    const sale = await plain.answer(startSale, {
      customerId: plain.customer,
      agreed: true,
      arrangement: { kind: 'now' },
      lines: [{ goodsId: plain.setUp, quantity: '1' }],
    })
    const draft = await plain.answer(billSale, { saleId: sale.id, what: 'remaining' })
    const at = { db: plain.db, business: (await findBusiness(plain.db))!, today: plain.shop.today }
    const made = (await DOCUMENTS.invoice(at, draft.id))!
    expect(made.parts).toEqual([])
    expect(made.name).toBe('DRAFT – not an invoice')
  })
})

describe('a statement', () => {
  test('has charges and payments apart, and says how old the balance is', async () => {
    await s.run(takeReceipt, { customerId: s.customer, method: 'transfer', amount: '100.00', on: '2026-02-20' })
    const made = await paper('statement', s.customer)
    const charges = made.rows.map((r) => r.cells.charges ?? '').filter(Boolean)
    const payments = made.rows.map((r) => r.cells.payments ?? '').filter(Boolean)
    expect(payments).toContain('100.00')
    const closing = made.sums[0]!.amount
    expect(toDecimalString(read(closing))).toBe(
      toDecimalString({ ...read(closing), minor: read(sum(charges)).minor - read(sum(payments)).minor }),
    )
    const ages = tableOf(made)!
    expect(ages.heads).toEqual(['', 'Not due yet', '1–30 days', '31–60 days', '61–90 days', '> 90 days'])
    expect(sum(ages.rows[0]!.slice(1))).toBe(toDecimalString(read(closing)))
  })
})

describe('a reminder', () => {
  test('says by when to pay, and which it is', async () => {
    expect(await paper('reminder', s.customer)).toMatchObject({ name: 'Reminder' })
    await s.run(remind, { customerId: s.customer })
    s.moveTo('2026-03-20')
    const second = await paper('reminder', s.customer)
    expect(second.name).toBe('Second reminder')
    expect(second.facts).toContainEqual(['Pay by', '27 Mar 2026'])
    expect(wordsOf(second)?.text).toContain('Please quote: Hazel Adair')
  })
})

describe('what is signed', () => {
  test('is an estimate by who takes it, an agreement by both', async () => {
    const sale = await s.answer(startSale, {
      customerId: s.customer,
      agreed: true,
      arrangement: { kind: 'installments', count: 2, every: 'month', firstDue: '2026-05-01' } as never,
      lines: [{ goodsId: s.setUp, quantity: '1' }],
    })
    expect((await paper('estimate', sale.id)).signatures?.map((x) => x.says)).toEqual(['I accept this estimate.'])
    expect((await paper('confirmation', sale.id)).signatures).toBeUndefined()
    const agreement = await paper('agreement', sale.id)
    expect(agreement.signatures?.map((x) => x.says)).toEqual(['Seller', 'Buyer'])
    expect(agreement.facts).toContainEqual(['Seller', 'Test'])
    expect(agreement.facts).toContainEqual(['Buyer', 'Hazel Adair'])
  })
})
