import { By, type WebDriver } from 'selenium-webdriver'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { handsOn, closeBrowser, openBrowser, openTill, PASSPHRASE, type Till } from './till'

let till: Till
let driver: WebDriver
let due: string
beforeAll(async () => {
  till = await openTill('twice')
  await till.request('POST', '/setup', {
    name: 'Twice',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
  })
  const customer = (await till.request('POST', '/customers', { name: 'Piers Hallow' })).body
  const sale = (
    await till.request('POST', '/sales', {
      customerId: customer.id,
      lines: [{ description: 'Mandolin', quantity: '1', unitPrice: '715.00' }],
    })
  ).body
  await till.request('POST', `/sales/${sale.id}/agree`, {})
  await till.request('POST', `/sales/${sale.id}/invoices`, { what: 'remaining', issue: true })
  due = `/money-in?customer=${customer.id}`
  driver = await openBrowser()
})
afterAll(async () => {
  await closeBrowser(driver)
  await till?.close()
})

const receipts = async (): Promise<{ amount: string }[]> => (await till.request('GET', '/receipts')).body.items
const takeButton = () => driver.findElement(By.css('[data-primary]'))

test('a double click takes the money once', async () => {
  const i = handsOn(driver, till.base)
  await i.signIn()
  await i.go(due)
  await i.see('Invoice 2026-0001')
  await i.type('Amount', '115')
  await driver.executeScript('arguments[0].click(); arguments[0].click(); arguments[0].click()', await takeButton())
  await i.see('Receipt R-2026-0001')
  expect(await receipts()).toHaveLength(1)
})

test('two windows pay the same due: the second is told, and keeps what was typed', async () => {
  const i = handsOn(driver, till.base)
  const first = await driver.getWindowHandle()
  await i.go(due)
  await i.see('due 10 Mar 2026')
  await i.type('Amount', '600')
  await i.see('Take payment 600.00')
  await driver.switchTo().newWindow('tab')
  await i.go(due)
  await i.see('due 10 Mar 2026')
  await i.type('Amount', '600')
  await i.doIt()
  await i.see('Receipt R-2026-0002')
  await driver.switchTo().window(first)
  await i.doIt()
  await i.see('That is already paid')
  expect(await (await i.field('Amount')).getAttribute('value')).toContain('600')
  expect(await receipts()).toHaveLength(2)
  expect((await till.request('GET', '/receivables')).body.totals.total).toBe('0.00')
})

test('two windows change one customer, and one item: what either changed stays', async () => {
  const i = handsOn(driver, till.base)
  const customer = (await till.request('POST', '/customers', { name: 'Ines Fenn', phone: '1' })).body
  const goods = (await till.request('POST', '/goods', { code: 'ROS', name: 'Rosin', kind: 'stock', price: '9.00' }))
    .body
  const first = await driver.getWindowHandle()
  await i.go(`/people/${customer.id}/edit`)
  await i.type('Phone', '0123')
  await driver.switchTo().newWindow('tab')
  await i.go(`/people/${customer.id}/edit`)
  await i.type('Notes', 'Rings after six')
  await i.doIt()
  await i.see('Ines Fenn saved.')
  await i.go(`/goods/${goods.id}`)
  await i.type('Price', '11')
  await driver.switchTo().window(first)
  await i.doIt()
  await i.see('Ines Fenn saved.')
  await i.go(`/goods/${goods.id}`)
  await i.type('Name', 'Rosin, dark')
  await i.doIt()
  await i.see('Rosin, dark saved.')
  const [second] = (await driver.getAllWindowHandles()).slice(-1)
  await driver.switchTo().window(second!)
  await i.doIt()
  await i.see('Rosin, dark saved.')
  expect((await till.request('GET', `/customers/${customer.id}`)).body).toMatchObject({
    phone: '0123',
    note: 'Rings after six',
  })
  expect((await till.request('GET', `/goods/${goods.id}`)).body).toMatchObject({ name: 'Rosin, dark', price: '11' })
})

test('what was acknowledged is there after the server is killed in the middle', async () => {
  const acknowledged: string[] = []
  let going = true
  const traffic = (async () => {
    for (let n = 0; going; n++) {
      const sent = await till
        .request(
          'POST',
          '/receipts',
          { customerId: 2, method: 'cash', amount: '1.00', for: 'account' },
          { 'idempotency-key': `k${n}` },
        )
        .catch(() => null)
      if (sent?.status === 201) acknowledged.push(sent.body.number)
    }
  })()
  await new Promise((r) => setTimeout(r, 1500))
  await till.restart()
  going = false
  await traffic
  expect(acknowledged.length).toBeGreaterThan(3)
  const kept = new Set<string>()
  let after = ''
  do {
    const { body } = await till.request('GET', `/receipts?limit=200${after}`)
    for (const r of body.items) kept.add(r.number)
    after = body.next ? `&after=${body.next}` : ''
  } while (after)
  expect(acknowledged.filter((n) => !kept.has(n))).toEqual([])
  const { body } = await till.request('GET', '/books/ties')
  expect(body.ties.filter((t: { difference: string }) => t.difference !== '0.00')).toEqual([])
})
