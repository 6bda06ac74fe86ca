import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { ublInvoice } from '../files/ubl'
import { PASSPHRASE, writeToChoose } from './till'

let supplier: number
let sale: number
let rosin: number
const tied = async () => {
  const { ties } = await get('/books/ties')
  expect(ties.filter((t: { difference: string }) => Number(t.difference) !== 0)).toEqual([])
}
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
  rosin = (
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
    await i.see('65.00 owed to Halden String Works. 5.00 other than received at.')
    await i.see('Other than received at')
    await i.click('Pay')
    await i.see('1.30 is let off when this is paid by')
    await i.doIt()
    await i.see('63.70 paid to Halden String Works. 1.30 let off.')
    expect(await get(`/suppliers/${supplier}`)).toMatchObject({ owed: '0.00', ahead: '0.00' })
    const handover = await post(`/sales/${sale}/handovers`, {})
    // Ten at 6.50: what they really cost.
    expect(handover.lines).toMatchObject([{ quantity: '10', cost: '65.00' }])
    await tied()
    await i.go('/buying')
    expect(await i.text('main')).toMatch(/Halden String Works.*Received/s)
  })
})

describe('what came wrong', () => {
  test('is sent back after its bill and credited; a receipt typed twice is undone', async () => {
    const came = await post('/goods-received', {
      supplierId: supplier,
      lines: [{ goodsId: rosin, quantity: '4', unitCost: '6.00' }],
    })
    const bill = await post('/bills', {
      supplierId: supplier,
      theirNumber: 'HS-2',
      lines: [{ receivedLineId: came.lines[0].id }],
    })
    await i.go(`/buying/received/${came.id}`)
    await i.press('b')
    await i.type('Rosin, of 4', '3')
    await i.type('Reason', 'Cracked')
    await i.doIt()
    await i.see('sent back.')
    await i.see('To be credited')
    await i.go(`/buying/bills/${bill.id}`)
    await i.click('Enter credit')
    await i.type('Number on their credit', 'HS-C-1')
    await i.type('Reason', 'Three cracked')
    await i.doIt()
    await i.see('HS-C-1: 18.00 credited.')
    expect(await get(`/bills/${bill.id}`)).toMatchObject({ open: '6.00', credits: [{ totals: { gross: '18.00' } }] })
    const twice = await post('/goods-received', {
      supplierId: supplier,
      lines: [{ goodsId: rosin, quantity: '4', unitCost: '6.00' }],
    })
    await i.go(`/buying/received/${twice.id}`)
    await i.press('x')
    await i.type('Reason', 'Typed twice')
    await i.doIt()
    await i.see('The receipt is undone.')
    expect((await get(`/goods/${rosin}`)).onHand).toBe('1')
    await tied()
  })
})

describe('a bill that comes as a file', () => {
  test('fills in the form, is paid at once, and comes again; one that does not add up says so', async () => {
    const good = writeToChoose('good.xml', ublInvoice({ seller: 'Halden String Works', id: 'HS-77' }))
    const bad = writeToChoose('bad.xml', ublInvoice({ seller: 'Halden String Works' }).replace('>44.00<', '>45.00<'))
    await i.go('/buying/bills/new')
    const input = () => driver.findElement(By.css('input[type=file]'))
    await input().sendKeys(bad)
    await i.see('but the file says')
    await input().sendKeys(good)
    await i.see('Read. Compare it, then enter it.')
    const paidFrom = await driver.findElement(
      By.xpath('//label[normalize-space()="Paid at once from"]/following::select[1]'),
    )
    await paidFrom.sendKeys('My own pocket')
    await i.doIt()
    await i.see('Paid to Halden String Works.')
    await i.see('Bill HS-77')
    await i.press('r')
    await i.see('The same bill is entered on each of its dates')
    await i.doIt()
    await i.see('Every month')
    const { items } = await get(`/bills?supplierId=${supplier}`)
    expect(items[0]).toMatchObject({ theirNumber: 'HS-77', totals: { gross: '44.00' }, open: '0.00' })
    await tied()
  })
})

describe('goods', () => {
  test('of a supplier who names no cost are looked at and saved as others are', async () => {
    await till.request('PATCH', `/goods/${rosin}`, { suppliers: [{ supplierId: supplier, unitCost: null }] })
    await i.go(`/goods/${rosin}`)
    await i.see('Save changes')
    await i.type('Reorder at', '4')
    await i.click('Save changes')
    await i.see('saved.')
    expect((await get(`/goods/${rosin}`)).reorderAt).toBe('4')
  })
})

describe('an order', () => {
  test('goes by e-mail with its PDF, and is changed and sent again as another version', async () => {
    const order = await post('/purchase-orders', { supplierId: supplier, lines: [{ goodsId: rosin, quantity: '6' }] })
    await i.go(`/buying/orders/${order.id}`)
    await i.press('m')
    await i.type('To', 'orders@halden.example')
    await i.doIt()
    await i.see('orders@halden.example')
    await till.request('PATCH', `/purchase-orders/${order.id}`, {
      confirmedFor: '2026-04-02',
      lines: [{ lineId: order.lines[0].id, goodsId: rosin, quantity: '8' }],
    })
    await i.go(`/buying/orders/${order.id}`)
    await i.see('changed since it was sent')
    await i.press('s')
    await i.see('version 2')
  })
})
