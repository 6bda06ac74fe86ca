import { readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openTill, PASSPHRASE, type Till } from '../browser/till'
import { ciiInvoice } from '../files/cii'
import { lyingSheet } from '../files/lyingSheet'
import { hugePdf, pdfWith } from '../files/pdfWith'
import { memoryOf } from './memoryOf'

let till: Till
beforeAll(async () => {
  till = await openTill('hostile')
  await till.request('POST', '/setup', { name: 'Hostile', currency: 'USD', passphrase: PASSPHRASE })
})
afterAll(() => till.close())

/** Sends what should be refused: how, and by how many megabytes the program grew meanwhile. */
const sendHostile = async (send: () => ReturnType<Till['request']>) => {
  const before = memoryOf(till.base)
  let most = before
  const looks = setInterval(() => (most = Math.max(most, memoryOf(till.base))), 50)
  const { status, body } = await send().finally(() => clearInterval(looks))
  expect(readdirSync(tmpdir()).filter((name) => name.startsWith('iron-till-read-'))).toEqual([])
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
  expect(bad).toMatchObject({ status: 422, body: { type: 'urn:iron-till:problem:pdf-unreadable' } })
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
