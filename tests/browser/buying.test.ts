import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { PASSPHRASE } from './till'

let supplier: number
let sale: number
const post = async (path: string, body: object) => (await till.request('POST', path, body)).body
const get = async (path: string) => (await till.request('GET', path)).body
beforeAll(async () => {
  await openEmptyDesk('buying')
  await post('/setup', { name: 'Buying', currency: 'USD', openingDate: '2026-01-01', passphrase: PASSPHRASE })
  const customer = (await post('/customers', { name: 'Hazel Adair' })).id
  supplier = (
    await post('/suppliers', {
      name: 'Halden String Works',
      terms: { net: 30, discountPercent: '2', discountDays: 10 },
    })
  ).id
  const rosin = (
    await post('/goods', {
      code: 'RO',
      name: 'Rosin',
      kind: 'stock',
      price: '12.50',
      suppliers: [{ supplierId: supplier, unitCost: '6.00' }],
    })
  ).id
  sale = (await post('/sales', { customerId: customer, agreed: true, lines: [{ goodsId: rosin, quantity: '10' }] })).id
  await i.signIn()
})
afterAll(closeDesk)

describe('bought for a sale', () => {
  test('ordered from its sheet, sent, received, invoiced dearer, paid early, handed over: every figure to the cent', async () => {
    await i.go(`/sales/${sale}`)
    await i.press('1')
    await i.see('Ordered from Halden String Works')
    await i.see('Purchase order O-')
    await i.click('Mark as sent')
    await i.see('is on order with Halden String Works')
    await i.press('r')
    await i.see('Cost of one, if not as ordered')
    await i.doIt()
    await i.see('Can go now: sale 1001, Hazel Adair')
    await i.go(`/buying/bills/new?supplier=${supplier}`)
    await i.type('Number on their bill', 'HS-1')
    const cost = await driver.findElement(By.xpath('//label[normalize-space()="Cost of one"]/following::input[1]'))
    await cost.click()
    await cost.sendKeys(Key.chord(Key.CONTROL, 'a'), '6.50')
    await i.doIt()
    // 10 × 6.50, of it 10 × 0.50 more than they came at.
    await i.see('65.00 owed to Halden String Works. 5.00 other than the goods came in at.')
    await i.see('Other than received at')
    await i.click('Pay')
    await i.see('1.30 less when it is paid by')
    await i.type('Amount', '63.70')
    await i.doIt()
    await i.see('63.70 paid to Halden String Works. 1.30 let off.')
    expect(await get(`/suppliers/${supplier}`)).toMatchObject({ owed: '0.00', ahead: '0.00' })
    const handover = await post(`/sales/${sale}/handovers`, {})
    // Ten at 6.50: what they really cost.
    expect(handover.lines).toMatchObject([{ quantity: '10', cost: '65.00' }])
    const { ties } = await get('/books/ties')
    expect(ties.filter((t: { difference: string }) => Number(t.difference) !== 0)).toEqual([])
    await i.go('/buying')
    expect(await i.text('main')).toMatch(/Halden String Works.*Received/s)
  })
})
