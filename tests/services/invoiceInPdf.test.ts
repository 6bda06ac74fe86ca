import PDFDocument from 'pdfkit'
import { expect, test } from 'vitest'
import { readEInvoice } from '@/core/einvoice'
import { EN_US, writeAs } from '@/core/locale'
import { invoiceOf, readInvoice } from '@/services/files/invoiceFile'
import { readPdf } from '@/services/files/pdfFile'
import { ciiInvoice } from '../files/cii'
import { pdfWith } from '../files/pdfWith'
import { ublInvoice, ublTotals } from '../files/ubl'

const xmlOf = async (file: Uint8Array | string) => {
  const read = await readPdf(typeof file === 'string' ? new TextEncoder().encode(file) : file)
  return typeof read === 'string' ? read : Buffer.from(read.xml).toString()
}

test.each([
  ['CII', ciiInvoice()],
  ['UBL', ublInvoice()],
])('an invoice in %s is taken out of the PDF that brings it along, letter for letter', async (_, xml) => {
  expect(await xmlOf(pdfWith({ 'factur-x.xml': xml }))).toBe(xml)
})

test('it is found whatever it is called, and whatever else lies beside it', async () => {
  const xml = ciiInvoice({ order: 'P-77' })
  const others = { 'a.xml': '<order/>', 'b.csv': 'Invoice,1', 'c.xml': '<Invoice xmlns="urn:another"/>' }
  expect(await xmlOf(pdfWith({ ...others, 'their bill.dat': xml }))).toBe(xml)
})

test('an invoice is the same alone and within a PDF, and as it was before it went to another process', async () => {
  const read = async (file: Uint8Array) => {
    const told = await readInvoice({ bytes: file, currency: 'USD', locale: 'en-US' })
    return typeof told === 'object' && told.ok ? structuredClone(told.value) : null
  }
  const alone = await read(Buffer.from(ciiInvoice()))
  expect(await read(pdfWith({ 'factur-x.xml': ciiInvoice() }))).toEqual(alone)
  const core = readEInvoice(ciiInvoice(), 'USD')
  expect(core.ok && core.value).toEqual(alone && invoiceOf(alone))
})

test('what is wrong with an invoice is said as the region writes numbers', async () => {
  const bytes = Buffer.from(ublInvoice({ totals: ublTotals('1234.50', '40.00', '44.00') }))
  const told = await readInvoice({ bytes, currency: 'USD', locale: 'de-DE' })
  writeAs(EN_US)
  expect(typeof told === 'object' && !told.ok && told.error.message).toContain('1.234,50')
})

test.each([
  ['without any file', {}],
  ['with others alone', { 'terms.txt': 'In thirty days', 'order.xml': '<Order/>' }],
])('a PDF %s has no e-invoice', async (_, files) => {
  expect(await xmlOf(pdfWith(files))).toBe('no-e-invoice')
})

const locked = (): Promise<Buffer> =>
  new Promise((done) => {
    const [doc, parts] = [new PDFDocument({ userPassword: 'fern' }), Array<Buffer>()]
    doc.on('data', (part: Buffer) => parts.push(part))
    doc.on('end', () => done(Buffer.concat(parts)))
    doc.file(Buffer.from(ciiInvoice()), { name: 'factur-x.xml' })
    doc.end()
  })

test('one that is locked, damaged or only says that it is one cannot be read', async () => {
  const whole = pdfWith({ 'factur-x.xml': ciiInvoice() })
  expect(await xmlOf(await locked())).toBe('unreadable')
  expect(await xmlOf(whole.subarray(0, 60))).toBe('unreadable')
  expect(await xmlOf('%PDF-1.7 and nothing else')).toBe('unreadable')
})
