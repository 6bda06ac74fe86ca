import { afterAll, beforeAll, expect, test } from 'vitest'
import { openTill, PASSPHRASE, type Till } from '../browser/till'
import { ciiInvoice } from '../files/cii'
import { hugePdf, pdfWith } from '../files/pdfWith'
import { memoryOf } from './memoryOf'

let till: Till
beforeAll(async () => {
  till = await openTill('hostile')
  await till.request('POST', '/setup', { name: 'Hostile', currency: 'USD', passphrase: PASSPHRASE })
})
afterAll(() => till.close())

const read = (pdf: Buffer) => till.request('POST', '/bills/read', pdf, { 'content-type': 'application/pdf' })

test('a PDF that unpacks to gigabytes is let go before it fills the machine; the next one is read', async () => {
  const good = pdfWith({ 'factur-x.xml': ciiInvoice() })
  expect((await read(good)).body).toMatchObject({ supplierId: null, totals: { gross: '44.00' } })
  const before = memoryOf(till.base)
  let most = before
  const looks = setInterval(() => (most = Math.max(most, memoryOf(till.base))), 50)
  // Four gigabytes, in four megabytes.
  const bad = await read(hugePdf(40))
  clearInterval(looks)
  expect(bad).toMatchObject({ status: 422, body: { type: 'urn:iron-till:problem:pdf-unreadable' } })
  expect(most - before).toBeLessThan(1_000)
  expect((await read(good)).status).toBe(200)
})
