import { XMLParser } from 'fast-xml-parser'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { decimal, roundToMoney, toDecimalString, zeroMoney } from '@/core/money'
import { findBusiness } from '@/data/queries/business'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { makeUbl } from '@/documents/ubl'
import { readTaxSums } from '@/model/paper/taxSums'
import { changeSettings } from '@/services/access/changeSettings'
import { addTaxCode } from '@/services/books/addTaxCode'
import { draftTaxReturn } from '@/services/books/taxReturn'
import { billSale } from '@/services/billing/billSale'
import { creditInvoice } from '@/services/billing/creditInvoice'
import { takeReceipt } from '@/services/money/takeReceipt'
import { changeCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { brokenRules } from '../files/en16931'
import { schemaProblems } from '../files/schema'
import { openTestShop, type TestShop } from './shop'

/* oxlint-disable typescript/no-explicit-any -- a document of somebody else's shape is read as it comes */
const parser = new XMLParser({ ignoreAttributes: false, parseTagValue: false, removeNSPrefix: true })
const listOf = (value: any): any[] => (Array.isArray(value) ? value : [value])
const figure = (value: any): number => Math.round(Number(value['#text']) * 100)

const readBack = async (s: TestShop, invoiceId: number) => {
  const business = (await findBusiness(s.db))!
  const xml = (await makeUbl({ db: s.db, business, today: s.today }, invoiceId))!.body
  const document = parser.parse(xml)
  const root = document.Invoice ?? document.CreditNote
  const lines = listOf(root.InvoiceLine ?? root.CreditNoteLine)
  return { xml, document, root, lines, total: root.LegalMonetaryTotal }
}

const LINES = [
  { description: 'Violin & <bow>', quantity: '3', unitPrice: '333.33', discountPercent: '7.5' },
  { description: 'Rosin', quantity: '0.3333', unitPrice: '12.50' },
  { description: 'Set-up', quantity: '2', unitPrice: '72.00', discountAmount: '4.00' },
]
const invoiced = async (s: TestShop, more: object = {}) => {
  const sale = await s.answer(startSale, { customerId: s.customer, agreed: true, lines: LINES, ...more })
  await s.run(handOver, { saleId: sale.id })
  return s.answer(billSale, { saleId: sale.id, what: 'handed-over', issue: true })
}

/** What must hold in any document of its kind: the schema of UBL 2.1, the sums add up, and each line is what its price says. */
const addsUp = ({ xml, root, lines, total }: Awaited<ReturnType<typeof readBack>>): void => {
  expect(schemaProblems(`UBL-${root.InvoiceTypeCode ? 'Invoice' : 'CreditNote'}-2.1`, xml)).toEqual([])
  const net = lines.reduce((sum, l) => sum + figure(l.LineExtensionAmount), 0)
  expect(figure(total.LineExtensionAmount)).toBe(net)
  const subtotals = listOf(root.TaxTotal.TaxSubtotal)
  expect(subtotals.reduce((sum, t) => sum + figure(t.TaxAmount), 0)).toBe(figure(root.TaxTotal.TaxAmount))
  expect(subtotals.reduce((sum, t) => sum + figure(t.TaxableAmount), 0)).toBe(net)
  expect(figure(total.TaxExclusiveAmount) + figure(root.TaxTotal.TaxAmount)).toBe(figure(total.TaxInclusiveAmount))
  if (root.InvoiceTypeCode)
    expect(figure(total.PrepaidAmount) + figure(total.PayableAmount)).toBe(figure(total.TaxInclusiveAmount))
}

const BUSINESSES = [
  ['tax beside the price', {}, {}],
  ['tax in the price', { pricesIncludeTax: true }, {}],
  ['tax of each line, in the price', { pricesIncludeTax: true }, { taxRoundedPer: 'line' }],
  [
    'two taxes of each line',
    {
      taxCodes: [
        {
          code: 'STD',
          name: 'Sales tax',
          components: [
            { name: 'State', rate: '0.07' },
            { name: 'City', rate: '0.0225' },
          ],
        },
      ],
    },
    { taxRoundedPer: 'line' },
  ],
] as const

describe.each(BUSINESSES)('an invoice for other programs, %s', (_, setup, settings) => {
  let s: TestShop
  beforeAll(async () => {
    s = await openTestShop(setup)
    await s.run(changeSettings, settings)
  })
  afterAll(() => s.close())

  test('adds up, also with what is off a line and off the whole', async () => {
    for (const more of [{}, { discountAmount: '50.00' }, { discountPercent: '12.5' }]) {
      const invoice = await invoiced(s, more)
      const read = await readBack(s, invoice.id)
      addsUp(read)
      expect(read.root.ID).toBe(invoice.number)
      expect(toDecimalString(roundToMoney(decimal(read.total.TaxInclusiveAmount['#text']), 'USD'))).toBe(
        invoice.totals.gross,
      )
    }
  })

  test('says what is paid of it, and what was credited is a document of its own', async () => {
    const invoice = await invoiced(s)
    await s.run(takeReceipt, {
      customerId: s.customer,
      method: 'transfer',
      amount: '100.00',
      for: [{ dueId: invoice.dues[0]!.id, amount: '100.00' }],
    })
    const read = await readBack(s, invoice.id)
    addsUp(read)
    expect(figure(read.total.PrepaidAmount)).toBe(10_000)
    const note = await s.answer(creditInvoice, { invoiceId: invoice.id, amount: '54.13', reason: 'A scratch' })
    const credit = await readBack(s, note.id)
    expect(credit.document).toHaveProperty('CreditNote')
    expect(credit.root.CreditNoteTypeCode).toBe('381')
    expect(figure(credit.total.PayableAmount)).toBe(5413)
    addsUp(credit)
  })
})

describe('the rules of EN 16931', () => {
  let s: TestShop
  beforeEach(async () => {
    s = await openTestShop({ taxCodes: [{ code: 'STD', name: 'VAT', components: [{ name: 'VAT', rate: '0.19' }] }] })
    await s.run(changeSettings, { taxNumber: '811 220 330', address: 'Hofgasse 2\n50667 Köln\nGermany' })
    await s.run(changeCustomer, {
      customerId: s.customer,
      exemptNumber: 'FR 40303265045',
      addresses: [{ kind: 'bill-to', text: '1 Rue Verte\nCour 2\n75003 Paris\nFrance', isDefault: true }],
    })
  })
  afterEach(() => s.close())
  const held = async (invoiceId: number) => {
    const read = await readBack(s, invoiceId)
    addsUp(read)
    expect(brokenRules(read.root)).toEqual([])
    return read
  }

  test('hold for an invoice, whatever is off it, and for what was credited on it', async () => {
    for (const more of [{}, { discountAmount: '50.00' }, { discountPercent: '12.5' }])
      await held((await invoiced(s, more)).id)
    const invoice = await invoiced(s)
    const { root } = await held(invoice.id)
    const [seller, buyer] = [root.AccountingSupplierParty.Party, root.AccountingCustomerParty.Party]
    expect(seller.PostalAddress).toEqual({
      StreetName: 'Hofgasse 2',
      AdditionalStreetName: '50667 Köln',
      Country: { IdentificationCode: 'DE' },
    })
    expect([seller.PartyTaxScheme.CompanyID, buyer.PartyTaxScheme.CompanyID]).toEqual(['DE811220330', 'FR40303265045'])
    expect(buyer.PostalAddress).toMatchObject({
      AddressLine: { Line: '75003 Paris' },
      Country: { IdentificationCode: 'FR' },
    })
    const note = await s.answer(creditInvoice, { invoiceId: invoice.id, amount: '54.13', reason: 'A scratch' })
    expect((await held(note.id)).root.BillingReference.InvoiceDocumentReference.ID).toBe(invoice.number)
  })

  test.each(['exempt', 'reverse-charge', 'out-of-scope', 'zero'] as const)('hold for what is %s', async (treatment) => {
    await s.run(addTaxCode, { code: 'NT', name: 'None', components: [], treatment, reason: 'As agreed' })
    const lines = [{ description: 'Lesson', quantity: '2', unitPrice: '40.00', taxCode: 'NT' }]
    await held((await invoiced(s, { lines })).id)
  })

  test('are not claimed where numbers that tell the parties apart are missing', async () => {
    await s.run(changeSettings, { taxNumber: '' })
    const read = await readBack(s, (await invoiced(s)).id)
    addsUp(read)
    expect(read.root).not.toHaveProperty('CustomizationID')
    expect(brokenRules(read.root)).toEqual(['BR-01', 'BR-CO-26', 'BR-S-02'])
  })
})

describe('a document', () => {
  let s: TestShop
  beforeAll(async () => {
    s = await openTestShop()
  })
  afterAll(() => s.close())

  test('each line is its price times its quantity, less what came off it', async () => {
    const { lines } = await readBack(s, (await invoiced(s)).id)
    for (const l of lines) {
      const worth = decimal(l.Price.PriceAmount['#text']).times(l.InvoicedQuantity['#text'])
      const off = l.AllowanceCharge ? figure(l.AllowanceCharge.Amount) : 0
      expect(Number(roundToMoney(worth, 'USD').minor) - off).toBe(figure(l.LineExtensionAmount))
    }
  })

  test('what is written in it is read as it was meant, whatever stands in a name', async () => {
    await s.run(changeCustomer, { customerId: s.customer, name: 'Adair & "Sons" <x>' })
    const { root, lines, xml } = await readBack(s, (await invoiced(s)).id)
    expect(root.AccountingCustomerParty.Party.PartyName.Name).toBe('Adair & "Sons" <x>')
    expect(lines[0].Item.Name).toBe('Violin & <bow>')
    expect(xml).not.toContain('<bow>')
  })

  test('a draft, and what is not there, are no documents', async () => {
    const business = (await findBusiness(s.db))!
    const sale = await s.answer(startSale, { customerId: s.customer, agreed: true, lines: LINES })
    const draft = await s.answer(billSale, { saleId: sale.id, what: 'remaining' })
    expect(await makeUbl({ db: s.db, business, today: s.today }, draft.id)).toBeNull()
    expect(await makeUbl({ db: s.db, business, today: s.today }, 99_999)).toBeNull()
  })

  test('an exempt customer’s invoice says so, with no tax', async () => {
    await s.run(changeCustomer, { customerId: s.customer, taxExempt: true, exemptNumber: 'X-1' })
    const read = await readBack(s, (await invoiced(s)).id)
    addsUp(read)
    expect(figure(read.root.TaxTotal.TaxAmount)).toBe(0)
    expect(read.lines.map((l) => l.Item.ClassifiedTaxCategory.ID)).toEqual(['E', 'E', 'E'])
  })
})

describe('what charges no tax', () => {
  let s: TestShop
  beforeEach(async () => {
    s = await openTestShop()
  })
  afterEach(() => s.close())
  test.each([
    ['reverse-charge', 'AE', 'The customer owes the tax', '0'],
    ['out-of-scope', 'O', 'Supplied outside the scope of tax', undefined],
    ['exempt', 'E', 'Teaching, section 4', '0'],
  ] as const)(
    'as %s says its category and why, on the e-invoice and on paper',
    async (treatment, letter, reason, rate) => {
      await s.run(addTaxCode, { code: 'NT', name: 'No tax', components: [], treatment, reason })
      const lines = [{ description: 'Lesson', quantity: '2', unitPrice: '40.00', taxCode: 'NT' }]
      const invoice = await invoiced(s, { lines })
      expect([invoice.totals.tax, invoice.totals.gross]).toEqual(['0.00', '80.00'])
      const back = await readBack(s, invoice.id)
      addsUp(back)
      const subtotal = back.root.TaxTotal.TaxSubtotal.TaxCategory
      expect([subtotal.ID, subtotal.TaxExemptionReason, subtotal.Percent]).toEqual([letter, reason, rate])
      // A line says its category alone.
      const line = back.lines[0].Item.ClassifiedTaxCategory
      expect([line.ID, line.TaxExemptionReason]).toEqual([letter, undefined])
      const sums = await readTaxSums(s.db, [
        { taxCodeId: await codeId(s), componentId: null, amount: zeroMoney('USD') },
      ])
      expect(sums).toEqual([{ name: `No tax: ${reason}`, amount: '0.00' }])
      // On a return it stands apart, with the base and no tax.
      const tax = await s.answer(draftTaxReturn, { from: '2026-03-01', through: '2026-03-01' })
      expect(tax.rows).toMatchObject([{ code: 'NT', treatment, net: '80.00', tax: '0.00' }])
    },
  )

  test('taxed and zero-rated trade gives no reason; a code has a rate exactly where it taxes', async () => {
    const back = await readBack(s, (await invoiced(s)).id)
    expect(listOf(back.root.TaxTotal.TaxSubtotal).map((t: any) => t.TaxCategory.TaxExemptionReason)).toEqual([
      undefined,
    ])
    const code = { code: 'X', name: 'X' }
    const rated = [{ name: 'X', rate: '0.1' }]
    expect(await s.refusal(addTaxCode, { ...code, components: rated, treatment: 'exempt' })).toBe('invalid')
    expect(await s.refusal(addTaxCode, { ...code, components: [], treatment: 'taxed' })).toBe('invalid')
    await s.run(addTaxCode, { ...code, components: rated, treatment: 'taxed' })
  })
})

const codeId = async (s: TestShop): Promise<number> => (await listTaxCodes(s.db)).find((c) => c.code === 'NT')!.id
