import PDFDocument from 'pdfkit'
import { expect, test } from 'vitest'
import { xmlOfInvoice } from '@/services/files/xmlOfInvoice'
import { ciiInvoice } from '../files/cii'
import { pdfWith } from '../files/pdfWith'
import { ublInvoice } from '../files/ubl'

const xmlOf = async (file: Uint8Array | string) => {
  const read = await xmlOfInvoice(typeof file === 'string' ? new TextEncoder().encode(file) : file)
  return read.ok ? Buffer.from(read.value).toString() : read.error.code
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

test('a file that is no PDF is taken as it is', async () => {
  expect(await xmlOf(ublInvoice())).toBe(ublInvoice())
  expect(await xmlOf('')).toBe('')
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
  expect(await xmlOf(await locked())).toBe('pdf-unreadable')
  expect(await xmlOf(whole.subarray(0, 60))).toBe('pdf-unreadable')
  expect(await xmlOf('%PDF-1.7 and nothing else')).toBe('pdf-unreadable')
})
