import { till, driver, i, openDesk, closeDesk, get } from './shopDesk'
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, expect, test } from 'vitest'

beforeAll(openDesk)
afterAll(closeDesk)

test('a sale that comes again is issued on its day by the clock, and mailed', async () => {
  const sale = (
    await till.request('POST', '/sales', {
      customerId: 2,
      title: 'Rental',
      lines: [{ description: 'Rental, month', quantity: '1', unitPrice: '26.00' }],
    })
  ).body
  await i.go(`/sales/${sale.id}`)
  await i.click('Repeat')
  await i.type('First date', '4/1')
  await i.press(Key.ENTER)
  await i.pick('automatically')
  await i.doIt()
  await i.see('Repeats, first on 1 Apr 2026.')
  await i.go('/sales/coming')
  await i.see('Rental')
  await till.restart('2026-04-02')
  let invoices: { subject: string; state: string }[] = []
  await driver.wait(async () => {
    invoices = (await get('/post?limit=5')).items.filter((p: { paper: string }) => p.paper === 'invoice')
    return invoices[0]?.state === 'sent'
  }, 30_000)
  expect(invoices).toHaveLength(1)
  // 26.00 and 2.145 → 2.15
  expect((await get('/sales?limit=1')).items[0]).toMatchObject({
    title: 'Rental',
    stands: 'owing',
    startedOn: '2026-04-01',
    total: '28.15',
  })
  const { body } = await till.request('GET', '/books/ties')
  expect(body.ties.every((t: { difference: string }) => t.difference === '0.00')).toBe(true)
})

test('a tax rate changes from a day on, and papers of that day take it', async () => {
  await i.go('/settings/tax')
  await i.type('From', '+1')
  await i.type('Percent, Tax', '9,5')
  await i.click('Change the rate')
  await i.see('A percentage is written like 8.25.')
  await i.type('Percent, Tax', '9.5')
  await i.click('Change the rate')
  await i.see('STD has these rates from that day on.')
  await i.see('from 3 Apr 2026: Tax 9.5%')
  const [std] = (await get('/tax-codes')).items
  expect(std).toMatchObject({
    components: [{ rate: '0.0825' }],
    rates: [{ from: null }, { from: '2026-04-03', components: [{ rate: '0.095' }] }],
  })
})
