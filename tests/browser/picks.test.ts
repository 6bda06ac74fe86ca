import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { PASSPHRASE } from './till'

let customer: number
let rosin: number
let viola: number
const post = async (path: string, body: object) => (await till.request('POST', path, body)).body
beforeAll(async () => {
  await openEmptyDesk('picks')
  await post('/setup', { name: 'Picks', currency: 'USD', openingDate: '2026-01-01', passphrase: PASSPHRASE })
  const store = await post('/places', { code: 'STORE', name: 'Store room' })
  customer = (await post('/customers', { name: 'Hazel Adair', email: 'hazel@example.com' })).id
  rosin = (await post('/goods', { code: 'RO', name: 'Rosin', kind: 'stock', price: '12.50', barcode: '4711' })).id
  viola = (
    await post('/goods', {
      code: 'VA',
      name: 'Viola',
      kind: 'stock',
      price: '1500.00',
      track: 'serial',
      warrantyMonths: 12,
    })
  ).id
  await post('/stock-counts', { on: '2026-01-02', lines: [{ goodsId: rosin, counted: '8', unitCost: '6.00' }] })
  await post('/stock-counts', {
    on: '2026-01-02',
    placeId: store.id,
    lines: [{ goodsId: rosin, counted: '16', unitCost: '6.00' }],
  })
  await i.signIn()
})
afterAll(closeDesk)

const order = async (goodsId: number, quantity: string): Promise<number> =>
  (
    await post('/sales', {
      customerId: customer,
      agreed: true,
      deliverTo: '4 Mill Lane',
      lines: [{ goodsId, quantity }],
    })
  ).id
const figures = async (): Promise<string[]> => {
  const fields = await driver.findElements(By.css('main section:first-of-type td input.fig'))
  return Promise.all(fields.map(async (f) => (await f.getAttribute('value')) ?? ''))
}

describe('an order', () => {
  test('is picked short from two places, packed in two parcels, sent and invoiced; the rest goes later', async () => {
    const sale = await order(rosin, '24')
    await i.go(`/sales/${sale}`)
    await i.press('k')
    await i.see('Save as picked')
    expect(await figures()).toEqual(['16', '8'])
    const [store] = await driver.findElements(By.css('main section td input.fig'))
    await store!.click()
    await store!.sendKeys(Key.chord(Key.CONTROL, 'a'), '14')
    await i.click('Save as picked')
    await i.see('saved as it was picked.')
    await i.click('Another parcel')
    await i.type('In parcel 1: Rosin', '20')
    await i.type('In parcel 2: Rosin', '2')
    await i.click('Pack')
    await i.see('is packed in 2 parcels.')
    await i.see('Heron Parcel Economy')
    await i.click('Send')
    await i.see('booked with the carrier')
    await i.see('In transit')
    const invoice = await post(`/sales/${sale}/invoices`, { what: 'handed-over', issue: true })
    // 22 × 12.50
    expect(invoice.totals.net).toBe('275.00')
    await post(`/sales/${sale}/handovers`, {})
    expect((await till.request('GET', `/sales/${sale}`)).body.lines[0]).toMatchObject({ handedOver: '24' })
    await i.go('/parcels')
    expect((await i.text('main')).match(/Hazel Adair/g)).toHaveLength(2)
  })
})

describe('a serial', () => {
  test('from its count by scanner to its owner, who is told its warranty', async () => {
    await i.go('/goods/count?search=VA')
    const scan = await driver.findElement(By.xpath('//label[normalize-space()="Scan"]/following-sibling::input'))
    await scan.sendKeys('V-77', Key.ENTER, 'V-78', Key.ENTER)
    await i.see('Viola: 2')
    await i.type('Cost of new ones: Viola', '800')
    await i.click('Save count (1 item)')
    await i.see('stock value up 1,600.00')
    await i.go('/counter')
    await i.choose('Item: name, code or barcode', 'V-78', 'Viola, V-78')
    await i.click('Card')
    await i.doIt()
    await i.see('received, receipt')
    await i.go('/today')
    await i.press('/')
    await (await driver.switchTo().activeElement()).sendKeys('V-78')
    await i.see('Serial V-78')
    await (await driver.switchTo().activeElement()).sendKeys(Key.ENTER)
    await i.see('Under warranty until')
    expect(await i.text('main')).toMatch(/Handover H-\S+ Walk-in.*Count N-/s)
    await i.go(`/goods/${viola}`)
    expect(await i.text('main')).toContain('V-77')
  })
})
