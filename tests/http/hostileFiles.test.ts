import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PNG } from 'pngjs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { openTill, PASSPHRASE, TOKEN, type Till } from '../browser/till'
import { ciiInvoice } from '../files/cii'
import { lyingSheet } from '../files/lyingSheet'
import { packedTimes } from '../files/packedTimes'
import { hugePdf, pdfWith } from '../files/pdfWith'
import { memoryOf } from './memoryOf'

let till: Till
/** Where the program lays aside: its own, because other tests have files read at the same time. */
let aside: string
beforeAll(async () => {
  aside = mkdtempSync(join(tmpdir(), 'iron-till-hostile-'))
  // It may run as somebody else.
  chmodSync(aside, 0o777)
  till = await openTill('hostile', { TMPDIR: aside })
  await till.request('POST', '/setup', { name: 'Hostile', currency: 'USD', passphrase: PASSPHRASE })
})
afterAll(() => till.close().finally(() => rmSync(aside, { recursive: true, force: true })))

/** Sends what should be refused: how, and by how many megabytes the program grew meanwhile. */
const sendHostile = async (send: () => ReturnType<Till['request']>) => {
  const before = memoryOf(till.base)
  let most = before
  const looks = setInterval(() => (most = Math.max(most, memoryOf(till.base))), 50)
  const { status, body } = await send().finally(() => clearInterval(looks))
  expect(readdirSync(aside)).toEqual([])
  return { status, body, grown: most - before }
}

const readBill = (pdf: Buffer) => till.request('POST', '/bills/read', pdf, { 'content-type': 'application/pdf' })
const readGoods = (file: Buffer | string) =>
  till.request('POST', '/goods/import', { base64: Buffer.from(file).toString('base64') })

test('a PDF that unpacks to gigabytes ends what reads it and nothing else; the next one is read', async () => {
  const good = pdfWith({ 'factur-x.xml': ciiInvoice() })
  expect((await readBill(good)).body).toMatchObject({ supplierId: null, totals: { gross: '44.00' } })
  // Four gigabytes, in four megabytes.
  const bad = await sendHostile(() => readBill(hugePdf(40)))
  expect(bad).toMatchObject({ status: 422, body: { type: 'urn:iron-till:problem:e-invoice-unreadable' } })
  expect(bad.grown).toBeLessThan(200)
  expect((await readBill(good)).status).toBe(200)
})

test.each(['texts', 'sheet'] as const)(
  'a spreadsheet that hides gigabytes of %s ends what reads it and nothing else; the next one is read',
  async (of) => {
    const bad = await sendHostile(() => readGoods(lyingSheet(of)))
    expect(bad).toMatchObject({ status: 422, body: { errors: [{ path: 'base64' }] } })
    expect(bad.grown).toBeLessThan(200)
    expect((await readGoods('code,name,price\nA,Rosin,4.50\n')).status).toBe(200)
  },
)

const importCustomers = (file: string) =>
  till.request('POST', '/customers/import', { base64: Buffer.from(file).toString('base64') })
const send = (path: string, file: string) => till.request('POST', path, file, { 'content-type': 'application/xml' })
const CAMT = 'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.02"'
const INVOICE = 'xmlns="urn:oasis:names:specification:ubl:schema:xsd:Invoice-2"'

// Each is read for seconds.
test.each([
  ['an address book', () => importCustomers(`BEGIN:VCARD\nADR${';A="'.repeat(400_000)}\nEND:VCARD`)],
  ['an e-invoice', () => send('/bills/read', `<Invoice ${INVOICE}>${'<a/>'.repeat(1_400_000)}</Invoice>`)],
  ['a statement', () => send('/bank/look', `<Document ${CAMT}>${'<a b="1"/>'.repeat(550_000)}</Document>`)],
])('who enters something while %s is read does not wait for it', async (_, read) => {
  const [order, note] = [Array<string>(), (what: string) => () => void order.push(what)]
  const reading = read().then(note('the file'))
  await new Promise((done) => setTimeout(done, 500))
  await till.request('POST', '/customers', { name: 'At the counter' }).then(note('the customer'))
  await reading
  expect(order).toEqual(['the customer', 'the file'])
})

describe('the mark of the business', () => {
  const keep = (mark: Buffer, name = 'mark.png') =>
    till.request('POST', '/files', { ownerKind: 'business', ownerId: 1, name, base64: mark.toString('base64') })
  const SIGNATURE = Buffer.from('89504e470d0a1a0a', 'hex')
  const points = (width: number, height: number): Buffer => PNG.sync.write(new PNG({ width, height }))
  const huge = () => {
    // What is said of its size is small; what is packed is three gigabytes.
    const said = points(2, 2)
    const [at, packed] = [
      said.indexOf('IDAT'),
      Buffer.concat([Buffer.from([0x78, 0x9c]), packedTimes(Buffer.alloc(100_000_000), 30)]),
    ]
    const length = Buffer.alloc(4)
    length.writeUInt32BE(packed.length)
    return Buffer.concat([
      said.subarray(0, at - 4),
      length,
      Buffer.from('IDAT'),
      packed,
      Buffer.alloc(4),
      said.subarray(-12),
    ])
  }

  test.each([
    ['that only begins as one', () => SIGNATURE],
    ['of nonsense', () => Buffer.concat([SIGNATURE, Buffer.from('nonsense'.repeat(40))])],
    ['that was cut off', () => points(40, 40).subarray(0, 60)],
    ['whose points are damaged', () => Buffer.from(points(40, 40).fill(7, 50, 80))],
    ['as JPEG, of nonsense', () => Buffer.from('ffd8ffe0' + '7a'.repeat(200), 'hex')],
    ['that unpacks to gigabytes', huge],
    ['of more points than any printer shows', () => points(4_001, 10)],
  ])('is no picture %s: every document would break of it', async (_, mark) => {
    const bad = await sendHostile(() => keep(mark()))
    expect(bad).toMatchObject({ status: 422, body: { errors: [{ path: 'base64' }] } })
    expect(bad.grown).toBeLessThan(200)
  })

  test('is one that documents can carry', async () => {
    expect((await keep(points(400, 120))).status).toBe(201)
    const pdf = await fetch(`${till.base}/api/v1/export/receivables.pdf`, {
      headers: { authorization: `Bearer ${TOKEN}` },
    })
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf'])
  })
})
