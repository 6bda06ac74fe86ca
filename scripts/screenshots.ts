import { mkdirSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { By, until } from 'selenium-webdriver'
import { openBrowser, setSize } from './browser'

const base = process.argv[2] ?? 'http://127.0.0.1:3000'
const folder = resolve(import.meta.dirname, '../docs/screenshots')

const VIEWS = [
  { name: 'today', path: '/today' },
  { name: 'counter', path: '/counter', type: 'rosin' },
  { name: 'sales', path: '/sales' },
  { name: 'sale', path: '/sales', first: true },
  { name: 'new-sale', path: '/sales/new?customer=2' },
  { name: 'money-in', path: '/money-in', late: true },
  { name: 'owed', path: '/owed' },
  { name: 'expected', path: '/owed/expected', wait: 2500 },
  { name: 'plan', path: '/owed/plans', plan: true },
  { name: 'goods', path: '/goods' },
  { name: 'customer', path: '/people', late: true },
  { name: 'statement', path: '/money-in/statements', statement: true },
  { name: 'profit', path: '/books?view=profit-and-loss' },
  { name: 'buying', path: '/buying' },
  { name: 'customer-page', path: '/own', own: true },
  { name: 'shop', path: '/shop' },
  { name: 'layout', path: '/settings/papers/invoice', wait: 3500 },
  { name: 'pick', path: '/picks/3', wait: 2500 },
  { name: 'counter-phone', path: '/counter', width: 390, height: 844, type: 'rosin' },
] as const

interface Options {
  readonly first?: boolean
  readonly late?: boolean
  readonly type?: string
  readonly own?: boolean
  readonly plan?: boolean
  readonly statement?: boolean
  readonly wait?: number
  readonly width?: number
  readonly height?: number
}

/** One picture of each main view, from the running demo. */
const main = async (): Promise<void> => {
  mkdirSync(folder, { recursive: true })
  const driver = await openBrowser({ whole: true })
  const firstLink = async (css: string): Promise<string> => {
    // A page that has just come may still put its rows anew.
    await driver.sleep(600)
    return (await driver.findElement(By.css(css)).getAttribute('href')) as string
  }
  /** A link to the customer's page of a sale, made as the owner would. */
  const ownPage = async (sale: string): Promise<string> => {
    await driver.get(base + '/today')
    return driver.executeAsyncScript<string>(
      `const done = arguments[1]
       fetch('/api/v1/sales/' + arguments[0].split('/').pop() + '/links', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' })
         .then((r) => r.json()).then((a) => done(location.origin + new URL(a.address).pathname))`,
      sale,
    )
  }
  try {
    await driver.get(`${base}/sign-in`)
    await driver.sleep(700)
    await driver.findElement(By.css('[data-primary]')).click()
    await driver.sleep(2500)
    await driver.get(`${base}/sales`)
    const saleHref = await firstLink(process.argv[3] ? `main a[href="/sales/${process.argv[3]}"]` : 'main [data-row]')
    await driver.get(`${base}/owed?show=late`)
    const late = new URL(await firstLink('main [data-row]')).searchParams.get('customer')
    await driver.get(`${base}/owed/plans`)
    const plan = await firstLink('main [data-row]')
    await driver.get(`${base}/money-in/statements`)
    const statement = await firstLink('main [data-row]')
    for (const view of VIEWS as readonly ({ name: string; path: string } & Options)[]) {
      await setSize(driver, view.width ?? 1280, view.height ?? 800)
      const path = view.own
        ? await ownPage(process.argv[4] ?? saleHref)
        : view.plan
          ? plan
          : view.statement
            ? statement
            : view.first
              ? saleHref
              : view.late
                ? `${base}${view.name === 'customer' ? `/people/${late}` : `${view.path}?customer=${late}`}`
                : `${base}${view.path}`
      await driver.get(path)
      await driver.sleep(view.wait ?? 900)
      if (view.name === 'money-in') await driver.findElement(By.css('input.h-13\\.5')).sendKeys('500')
      if (view.type) {
        await driver.findElement(By.css('input[aria-label^="Item"]')).sendKeys(view.type)
        await driver.wait(until.elementLocated(By.css('[cmdk-item]')), 5_000).click()
      }
      await driver.sleep(500)
      writeFileSync(join(folder, `${view.name}.png`), Buffer.from(await driver.takeScreenshot(), 'base64'))
    }
  } finally {
    await driver.quit()
  }
}

await main()
