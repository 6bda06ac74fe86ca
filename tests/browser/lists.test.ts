import { By, Key, type WebDriver } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { setSize } from '../../scripts/browser'
import { handsOn, closeBrowser, openBrowser, openTill, PASSPHRASE, type Till } from './till'

let till: Till
let driver: WebDriver
let i: ReturnType<typeof handsOn>

/** Sixty-two customers; the third owes 300.00, the second 20.00. */
beforeAll(async () => {
  till = await openTill('lists')
  await till.request('POST', '/setup', {
    name: 'Lists',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
  })
  for (let n = 1; n <= 62; n++)
    await till.request('POST', '/customers', { name: `Customer ${String(n).padStart(2, '0')}` })
  const customers = (await till.request('GET', '/customers?limit=5')).body.items as { id: number }[]
  for (const [at, price] of [
    [2, '300.00'],
    [1, '20.00'],
  ] as const) {
    const { id } = (
      await till.request('POST', '/sales', {
        customerId: customers[at]!.id,
        agreed: true,
        lines: [{ description: 'A bow', quantity: '1', unitPrice: price, taxCode: 'ZERO' }],
      })
    ).body
    await till.request('POST', `/sales/${id}/invoices`, { what: 'remaining', issue: true })
  }
  driver = await openBrowser()
  i = handsOn(driver, till.base)
  await i.signIn()
})
afterAll(async () => {
  await closeBrowser(driver)
  await till?.close()
})

const names = async (): Promise<string[]> =>
  driver.executeScript("return [...document.querySelectorAll('.list tbody td.first a')].map((a) => a.textContent)")
const address = async (): Promise<URLSearchParams> => new URL(await driver.getCurrentUrl()).searchParams
const until = (say: string, holds: () => Promise<boolean>) => driver.wait(holds, 10_000, say)

describe('a list', () => {
  test('opens in its order, and a head sorts it: the largest figure first, then the smallest', async () => {
    await i.go('/people')
    expect((await names()).slice(0, 2)).toEqual(['Customer 01', 'Customer 02'])
    await i.click('Owes')
    await until('never sorted', async () => (await names())[0] === 'Customer 03')
    expect((await names()).slice(0, 2)).toEqual(['Customer 03', 'Customer 02'])
    expect((await address()).get('sort')).toBe('-owed')
    const head = await driver.findElement(By.xpath("//th[.//a[contains(., 'Owes')]]"))
    expect(await head.getAttribute('aria-sort')).toBe('descending')
    await i.click('Owes ↓')
    await until('never turned', async () => (await names())[0] === 'Customer 02')
    expect((await address()).get('sort')).toBe('owed')
  })

  test('goes on in pages that keep its order, and back', async () => {
    await i.go('/people?sort=-name')
    expect((await names())[0]).toBe('Customer 62')
    await i.click('Next page')
    await until('no second page', async () => (await names()).length === 2)
    expect(await names()).toEqual(['Customer 02', 'Customer 01'])
    expect((await address()).get('sort')).toBe('-name')
    await i.click('Previous page')
    await until('no way back', async () => (await names()).length === 60)
  })

  test('narrows while words are typed, and begins at its first page again', async () => {
    await i.go('/people?page=2')
    await i.type('Search people', '07')
    await until('never narrowed', async () => (await names()).length === 1)
    expect(await names()).toEqual(['Customer 07'])
    expect((await address()).get('page')).toBeNull()
  })

  test('is exported by keys as it is sorted and narrowed', async () => {
    await i.go('/people?show=owing&sort=-owed')
    await i.click('Export ▾')
    const links = await driver.findElements(By.css('.menu:popover-open a'))
    expect(await Promise.all(links.map((l) => l.getText()))).toEqual(['Export CSV', 'Export XLSX', 'Export PDF'])
    const csv = await driver.executeAsyncScript<string>(
      'const done = arguments[1]; fetch(arguments[0]).then((r) => r.text()).then(done)',
      await links[0]!.getAttribute('href'),
    )
    const rows = csv.trim().split('\r\n')
    expect(rows).toHaveLength(3)
    expect(rows[1]).toContain('Customer 03')
    expect(rows[1]).toContain('300.00')
    await i.press(Key.ESCAPE)
    await until('the menu stays', async () => (await driver.findElements(By.css('.menu:popover-open'))).length === 0)
  })

  test('stands in two lines on a phone, its figure at the right, and nothing is wider than the screen', async () => {
    await setSize(driver, 390, 844)
    await i.go('/invoices')
    const [wide, inner] = await driver.executeScript<[number, number]>(
      'return [document.documentElement.scrollWidth, window.innerWidth]',
    )
    expect(wide).toBeLessThanOrEqual(inner)
    const [name, figure] = await driver.executeScript<[number, number][]>(
      `const row = document.querySelector('.list tbody tr');
       return ['.first', '.main'].map((css) => { const b = row.querySelector(css).getBoundingClientRect(); return [b.top, b.right] })`,
    )
    expect(Math.abs(name![0] - figure![0])).toBeLessThan(8)
    expect(figure![1]).toBeGreaterThan(330)
    await setSize(driver, 1280, 800)
  })

  test('the row of places on a phone is moved to where one is, however far right that stands', async () => {
    await setSize(driver, 390, 844)
    for (const path of ['/books', '/settings', '/today']) {
      await i.go(path)
      const [left, right] = await driver.executeScript<[number, number]>(
        `const b = document.querySelector('nav [aria-current=page]').getBoundingClientRect(); return [b.left, b.right]`,
      )
      expect(left).toBeGreaterThanOrEqual(0)
      expect(right).toBeLessThanOrEqual(390)
    }
    await setSize(driver, 1280, 800)
  })

  test('where nothing fits says so', async () => {
    await i.go('/people?search=nobody+of+that+name')
    await i.see('No customers match.')
  })
})
