import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { findBusiness } from '@/data/queries/business'
import { facesOf } from '@/documents/draw/fonts'
import { openSheet } from '@/documents/draw/openSheet'
import { setText } from '@/documents/draw/setText'
import { makePaper } from '@/documents/make'
import { billSale } from '@/services/billing/billSale'
import { addCustomer } from '@/services/people/keepCustomer'
import { startSale } from '@/services/sales/startSale'
import { pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeAll(async () => {
  s = await openTestShop()
})
afterAll(() => s.close())

/** Names as people write themselves. */
const NAMES = [
  'Nguyễn Thị Ánh Ngọc',
  'Zoë Åkerström-Łódź',
  'Ольга Ёлкина',
  'Київ Їжакевич Ґудзь',
  'Αθηνά Παπαδοπούλου',
  'Ὀδυσσεύς',
  'רות לוי',
  'Dvořák & Þórsdóttir',
]

test.each(NAMES)('“%s” stands on an invoice letter by letter', async (name) => {
  const customerId = await s.run(addCustomer, { name, addresses: [{ text: `${name}\n1 Street` }] })
  const lines = [{ description: `${name}, repaired`, quantity: '1', unitPrice: '10.00', note: name }]
  const sale = await s.answer(startSale, { customerId, agreed: true, lines })
  const invoice = await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
  const asked = { db: s.db, business: (await findBusiness(s.db))!, today: s.today }
  const text = await pdfText((await makePaper(asked, 'invoice', invoice.id))!)
  // What is set in several typefaces is read back in several pieces; Hebrew as it is drawn, from the right.
  const bare = (of: string): string => [...of.normalize('NFC').replace(/[\s,]/g, '')].sort().join('')
  const pieces = text.normalize('NFC')
  for (const letter of new Set(bare(name))) expect([letter, pieces.includes(letter)]).toEqual([letter, true])
  const words = pieces.replace(/\s+/g, '')
  if (name !== 'רות לוי') expect(words.split(name.normalize('NFC').replace(/\s+/g, '')).length).toBeGreaterThan(3)
})

test.each(['text', 'text-bold', 'slab', 'figure', 'figure-bold'] as const)(
  'every letter of those names is in a typeface of %s',
  (face) => {
    const { sheet } = openSheet({ title: 'Letters', language: 'en', size: 'A4' })
    const letters = new Set(NAMES.join('').normalize('NFC').replaceAll(' ', ''))
    expect([...letters].filter((l) => !facesOf(face).some((font) => sheet.has(font, l)))).toEqual([])
  },
)

test('two Hebrew words stand apart, the first one to the right', async () => {
  const { sheet, close } = openSheet({ title: 'Words', language: 'he', rtl: true, size: 'A4' })
  const look = { face: 'text', size: 10, colour: '#000000', align: 'left' } as const
  setText(sheet, look, 'רות לוי', { x: 50, y: 50, width: 300 })
  const doc = await getDocument({ data: new Uint8Array(await close()), verbosity: 0 }).promise
  const { items } = await (await doc.getPage(1)).getTextContent()
  const words = items.flatMap((i) =>
    'str' in i && /\p{L}/u.test(i.str) ? [{ x: i.transform[4] as number, wide: i.width }] : [],
  )
  expect(words.length).toBe(2)
  const [left, right] = words.sort((a, b) => a.x - b.x)
  // A space is about a quarter of the height of the letters.
  expect(right!.x - (left!.x + left!.wide)).toBeGreaterThan(1.5)
})
