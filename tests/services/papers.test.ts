import { beforeAll, describe, expect, test } from 'vitest'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { findBusiness, type Business } from '@/data/queries/business'
import { usualLayout } from '@/core/formats'
import { makePaper } from '@/documents/make'
import { makeSlip } from '@/documents/slip'
import { makeLabels } from '@/documents/makeLabels'
import { billSale } from '@/services/billing/billSale'
import { changeSettings } from '@/services/access/changeSettings'
import { changeCustomer } from '@/services/people/keepCustomer'
import { takeReceipt } from '@/services/money/takeReceipt'
import { addLayout } from '@/services/papers/keepLayout'
import { addTaxCode } from '@/services/books/addTaxCode'
import { agreeSale } from '@/services/sales/agreeSale'
import { handOver } from '@/services/sales/handOver'
import { offerSale } from '@/services/sales/offerSale'
import { requestDeposit } from '@/services/sales/requestDeposit'
import { startSale } from '@/services/sales/startSale'
import { lyingOver } from '../pdfText'
import { openTestShop, type TestShop } from './shop'
import { listHandovers } from '@/data/queries/handover'

let s: TestShop
let business: Business
let saleId: number
beforeAll(async () => {
  s = await openTestShop()
  await s.run(changeSettings, {
    address: '7 Mill Lane',
    header: 'Luthier',
    footer: 'Thank you.',
    conditions: 'Ours until paid.',
    paperSize: 'letter',
  })
  business = (await findBusiness(s.db))!
  await s.run(changeCustomer, {
    customerId: s.customer,
    addresses: [
      { kind: 'bill-to', text: '1 Łódź Road' },
      { kind: 'deliver-to', text: '9 Back Door', instructions: 'Ring twice' },
    ],
  })
  saleId = (
    await s.answer(startSale, {
      customerId: s.customer,
      note: 'Below',
      noteAbove: 'Above',
      discountAmount: '100.00',
      lines: [
        { kind: 'heading', description: 'Instrument' },
        { goodsId: s.violin, quantity: '1', note: 'Spruce and maple' },
        { goodsId: s.rosin, quantity: '2', choice: 'optional' },
        { kind: 'heading', description: 'Work' },
        { goodsId: s.setUp, quantity: '2', discountPercent: '10' },
      ],
    })
  ).id
  await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
})

interface Read {
  readonly text: string
  readonly pages: number
  readonly tags: unknown
  readonly width: number
  readonly language: unknown
}

/** What a reader, or a voice, finds in a PDF. */
const read = async (pdf: Buffer | null): Promise<Read> => {
  const doc = await getDocument({ data: new Uint8Array(pdf!), verbosity: 0 }).promise
  let text = ''
  for (let n = 1; n <= doc.numPages; n++) {
    const content = await (await doc.getPage(n)).getTextContent()
    text += content.items.map((i) => ('str' in i ? i.str : '')).join(' ') + '\n'
  }
  const first = await doc.getPage(1)
  const tree = await first.getStructTree()
  const { info } = (await doc.getMetadata()) as { info: { Language?: unknown } }
  return {
    text: text.replace(/\s+/g, ' '),
    pages: doc.numPages,
    tags: tree,
    width: first.view[2]!,
    language: info.Language,
  }
}
const asked = () => ({ db: s.db, business, today: s.today })
const paper = async (...args: [Parameters<typeof makePaper>[1], number, Parameters<typeof makePaper>[3]?]) =>
  read(await makePaper(asked(), ...args))

describe('papers, read back', () => {
  test('an estimate: groups with sums, what is left to choose, what is off the whole, notes and conditions', async () => {
    const { text, width, language } = await paper('estimate', saleId)
    // A letter of another script is set in another typeface, and read back as a run of its own.
    const run = (words: string) => words.replaceAll(' ', '')
    for (const words of [
      'Estimate',
      '1 Łódź Road',
      'Deliver to',
      '9 Back Door',
      'Above',
      'Instrument',
      'Spruce and maple',
      'Rosin (optional)',
      '(25.00)',
      'Subtotal Instrument 1,000.00',
      '10%',
      'Subtotal Work 129.60',
      'Discount on total −100.00',
      '1,029.60',
      'Below',
      'Ours until paid.',
      'Thank you.',
      'Valid until 31 Mar 2026',
    ])
      expect(run(text)).toContain(run(words))
    // 1,029.60 and 84.942 → 84.94
    expect(text).toContain('1,114.54')
    expect(text).not.toMatch(/600|margin|cost/i)
    expect(width).toBe(612) // letter, 8.5 in
    expect(language).toBe('en')
  })

  test('is tagged: every run of text belongs to a paragraph, in reading order', async () => {
    const { tags } = await paper('estimate', saleId)
    const roles = JSON.stringify(tags)
    expect(roles).toContain('"role":"Document"')
    expect(roles).toContain('"role":"H1"')
    expect(roles.match(/"role":"TH"/g)!.length).toBe(5)
    expect(roles.match(/"role":"TD"/g)!.length).toBeGreaterThan(20)
    expect(roles).toContain('"type":"content"')
  })

  test('order, pick list, packing slip without prices, deposit request, invoice, receipt, slip, statement, reminder', async () => {
    const sale = await s.answer(agreeSale, { saleId, purchaseOrder: 'HG-88', by: 'Hazel' })
    expect((await paper('confirmation', saleId)).text).toMatch(/Order confirmation.*HG-88.*Accepted by Hazel/)
    const pick = (await paper('pick-list', saleId)).text
    // There is one place, so it is not named; there is room to write what was picked.
    expect(pick).toMatch(/Pick list.*Picked.*VN.*____/)
    const asking = await s.answer(requestDeposit, { saleId, percent: '50' })
    // half of 1,114.54
    expect((await paper('deposit-request', asking.id)).text).toMatch(
      /Deposit request.*50% of a total of 1,114\.54.*557\.27/,
    )
    await s.run(handOver, { saleId, lines: [{ lineId: sale.lines[1]!.id, quantity: '1' }] })
    const [handed] = await listHandovers(s.db, [saleId], 'USD')
    const slip = (await paper('packing-slip', handed!.id)).text
    expect(slip).toMatch(/Packing slip.*9 Back Door.*Ring twice.*Violin/)
    for (const text of [pick, slip]) expect(text).not.toMatch(/\d\.\d\d/)
    const invoice = await s.answer(billSale, { saleId, what: 'remaining', issue: true, on: '2026-01-05' })
    expect((await paper('invoice', invoice.id)).text).toMatch(
      /Invoice 2026-0001.*Due 4 Feb 2026.*Instrument.*1,114\.54/,
    )
    expect((await paper('reminder', s.customer)).text).toMatch(
      /Reminder.*Invoice 2026-0001.*due since 4 Feb 2026.*1,114\.54/,
    )
    const receipt = await s.answer(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '1114.54',
      tendered: '1120.00',
    })
    expect((await paper('receipt', receipt.id)).text).toMatch(/Receipt R-2026-0001.*Change due 5\.46.*1,114\.54/)
    expect((await read((await makeSlip(asked(), receipt.id))?.body ?? null)).text).toMatch(/R-2026-0001.*5\.46/)
    expect((await paper('statement', s.customer)).text).toMatch(/Statement.*Balance due, USD/i)
    expect(await makePaper(asked(), 'invoice', 99999)).toBeNull()
  })

  test('a layout of one’s own: other words, other columns, other order', async () => {
    const spec = {
      ...usualLayout('invoice'),
      title: 'Tax invoice',
      below: 'Pay within the month.',
      columns: [
        { key: 'code' as const, name: 'Art.' },
        { key: 'sum' as const, name: '' },
      ],
      blocks: ['below' as const, 'lines' as const, 'sums' as const],
    }
    await s.run(addLayout, {
      paper: 'invoice',
      name: 'Short',
      usual: true,
      spec: { ...spec, columns: [...spec.columns], blocks: [...spec.blocks] },
    })
    const { text } = await paper('invoice', 1)
    expect(text).toMatch(/Tax invoice.*Pay within the month\..*Art\..*VN/)
    expect(text).not.toContain('Each')
    expect(await s.refusal(addLayout, { paper: 'invoice', name: 'short', spec })).toBe('taken')
  })

  test('two hundred lines, names of 120 letters, and Hebrew do not break it', async () => {
    const long = 'Sehr lang und noch länger mit Łódź '.repeat(4).slice(0, 120)
    const id = (
      await s.answer(startSale, {
        customerId: s.customer,
        title: long,
        lines: Array.from({ length: 200 }, (_, i) => ({
          description: `${long} ${i}`,
          quantity: '1',
          unitPrice: '1.00',
        })),
      })
    ).id
    const many = await paper('estimate', id)
    expect(many.pages).toBeGreaterThan(8)
    expect(many.text).toContain(`page ${many.pages} of ${many.pages}`)
    for (const n of [0, 99, 199]) expect(many.text).toMatch(new RegExp(`Łódź? ?${n} 1 1\\.00`.replace('Łódź?', '\\S+')))
    await s.run(changeCustomer, { customerId: s.customer, language: 'he', name: 'דנה לוי' })
    const hebrew = await paper('estimate', id)
    expect([...'הצעת'].every((letter) => hebrew.text.includes(letter))).toBe(true)
    expect(hebrew.language).toBe('he')
  })

  test('large amounts stay whole, long names break, and nothing lies over anything else', async () => {
    const name =
      'Streichinstrumentenbaumeisterhandwerkergenossenschaftsangehörige, with what the town and the county take'
    await s.run(addTaxCode, {
      code: 'LONG',
      name: name.slice(0, 80),
      components: [{ name: name.slice(0, 80), rate: '0.1' }],
    })
    await s.run(changeCustomer, { customerId: s.customer, language: 'en', name })
    const { id } = await s.answer(startSale, {
      customerId: s.customer,
      lines: [
        { kind: 'heading', description: 'Instrument' },
        { description: name, quantity: '12.125', unitPrice: '1250000.00', discountPercent: '2.5', taxCode: 'LONG' },
        { description: 'Case', quantity: '2', unitPrice: '185.00', taxCode: 'LONG' },
      ],
    })
    await s.run(agreeSale, { saleId: id })
    const invoice = await s.answer(billSale, { saleId: id, what: 'remaining', issue: true })
    for (const [kind, of] of [
      ['confirmation', id],
      ['invoice', invoice.id],
    ] as const) {
      const pdf = await makePaper(asked(), kind, of, usualLayout(kind))
      expect(await lyingOver(pdf!)).toEqual([])
      // The heading has no rate: nothing is said of the usual one.
      expect((await read(pdf)).text).not.toContain('Sales tax')
      // 12.125 × 1,250,000.00 = 15,156,250.00; less 2.5 % 14,777,343.75
      for (const figure of ['1,250,000.00', '14,777,343.75']) expect((await read(pdf)).text).toContain(figure)
    }
  })

  test('a slip of millions says them beside its words', async () => {
    const receipt = await s.answer(takeReceipt, {
      customerId: s.customer,
      method: 'cash',
      amount: '12345678.90',
      for: 'account',
    })
    const slip = (await makeSlip(asked(), receipt.id))!.body
    expect(await lyingOver(slip)).toEqual([])
    expect((await read(slip)).text).toContain('12,345,678.90')
  })

  test('labels carry name, price and bars', async () => {
    const { text, pages } = await read(await makeLabels(asked(), [{ goodsId: s.rosin, count: 25 }]))
    expect(pages).toBe(2)
    expect(text.match(/Rosin/g)).toHaveLength(25)
    expect(await makeLabels(asked(), [])).toBeNull()
  })
})

test('a deposit request adds up, also where more is held by now than it asked for', async () => {
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    agreed: true,
    lines: [{ description: 'A bow', quantity: '1', unitPrice: '100.00' }],
  })
  const asking = await s.answer(requestDeposit, { saleId: sale.id, amount: '50.00' })
  await s.run(takeReceipt, {
    customerId: s.customer,
    method: 'cash',
    amount: '80.00',
    for: [{ saleId: sale.id, amount: '80.00' }],
  })
  expect((await paper('deposit-request', asking.id)).text).toMatch(/50\.00.*[-−]50\.00.*Amount due, USD 0\.00/)
})
