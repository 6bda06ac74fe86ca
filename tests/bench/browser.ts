import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { Key, type WebDriver } from 'selenium-webdriver'
import { openBrowser } from '../../scripts/browser'
import { testCluster } from '../cluster'
import { ROUNDS_BEFORE, serveFilled } from './http'
import { PASSPHRASE } from './fill'

const TOKEN = 'a-token-for-the-bench'
const PAGES = {
  Today: '/today',
  Counter: '/counter',
  Sales: '/sales',
  'a new sale': '/sales/new?customer=50',
  'a sale': '/sales/500',
  Invoices: '/invoices',
  'Money in': '/money-in?customer=50',
  Owed: '/owed',
  Goods: '/goods',
  'a customer': '/people/50',
  Orders: '/buying',
  Books: '/books',
  Settings: '/settings',
} as const
const LOADS = 5
const LINES = 200

/** Kept from the moment the page begins, before anything of it runs. */
const WATCH = `window.__seen = { paint: 0, moved: 0, keys: [], long: 0 }
  const on = (type, take, more) => new PerformanceObserver((list) => list.getEntries().forEach(take)).observe({ type, buffered: true, ...more })
  on('largest-contentful-paint', (e) => { __seen.paint = e.startTime })
  on('layout-shift', (e) => { if (!e.hadRecentInput) __seen.moved += e.value })
  on('longtask', (e) => { __seen.long += e.duration })
  on('event', (e) => { if (e.name === 'keydown') __seen.keys.push(e.duration) }, { durationThreshold: 16 })`

interface Seen {
  /** When the largest thing of the page was drawn, in milliseconds. */
  readonly paint: number
  /** How much moved by itself, as the platform counts it. */
  readonly moved: number
  /** From a key to what it changed on the screen, in milliseconds; those under 16 are not told. */
  readonly keys: readonly number[]
  /** Milliseconds in tasks that held the page up for 50 and more. */
  readonly long: number
  /** Bytes of scripts as they are sent. */
  readonly scripts: number
}

const median = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[all.length >> 1] ?? 0

const seen = (driver: WebDriver): Promise<Seen> =>
  driver.executeScript(`return { ...__seen, scripts: performance.getEntriesByType('resource')
    .filter((r) => r.name.includes('/_next/') && r.name.includes('.js')).reduce((sum, r) => sum + r.encodedBodySize, 0) }`)

const ready = (driver: WebDriver) =>
  driver.wait(
    () => driver.executeScript<boolean>('return document.documentElement.dataset.ready === "yes"'),
    20_000,
    'never ready',
  )

/** What the framework itself sends to every page, as it is sent. */
const ownOfFramework = (): number => {
  const built = join(import.meta.dirname, '../../.next')
  const { rootMainFiles } = JSON.parse(readFileSync(join(built, 'build-manifest.json'), 'utf8')) as {
    readonly rootMainFiles: readonly string[]
  }
  return rootMainFiles.reduce((sum, file) => sum + gzipSync(readFileSync(join(built, file))).length, 0)
}

/** Asks for a page so often that the server has compiled what draws it, as one that runs for days has; the scripts of the page are not run. */
const warmUp = async (driver: WebDriver, address: string): Promise<void> => {
  await driver.get(address)
  await driver.executeAsyncScript(
    `const [address, times, done] = arguments
     const ask = (n) => n === 0 ? done() : fetch(address).then((r) => r.text()).then(() => ask(n - 1))
     ask(times)`,
    address,
    ROUNDS_BEFORE,
  )
}

const benchPage = async (driver: WebDriver, address: string): Promise<Seen & { readonly opened: number }> => {
  await warmUp(driver, address)
  const all: (Seen & { readonly opened: number })[] = []
  for (let i = 0; i < LOADS; i++) {
    const began = performance.now()
    await driver.get(address)
    await ready(driver)
    const opened = performance.now() - began
    await driver.sleep(150)
    all.push({ ...(await seen(driver)), opened })
  }
  const of = (what: (s: (typeof all)[number]) => number) => median(all.map(what))
  return {
    paint: of((s) => s.paint),
    moved: Math.max(...all.map((s) => s.moved)),
    long: of((s) => s.long),
    scripts: of((s) => s.scripts),
    opened: of((s) => s.opened),
    keys: [],
  }
}

/** From a link to the page it leads to being drawn, within the program. */
const follow = async (driver: WebDriver, path: string): Promise<number> =>
  driver.executeAsyncScript(
    `const [path, done] = arguments
     const link = [...document.querySelectorAll('nav a')].find((a) => a.getAttribute('href') === path)
     const began = performance.now()
     link.click()
     const look = () => location.pathname === path && document.querySelector('nav a[aria-current=page]')?.getAttribute('href') === path
       ? requestAnimationFrame(() => done(performance.now() - began)) : requestAnimationFrame(look)
     look()`,
    path,
  )

/** Types into the field of a name, key by key, and answers what was seen meanwhile. */
const typeInto = async (driver: WebDriver, label: string, text: string): Promise<Seen> => {
  await driver.executeScript(
    `const named = [...document.querySelectorAll('label')].find((l) => l.textContent.trim() === arguments[0])
     const field = document.querySelector('[aria-label="' + arguments[0] + '"]') ?? document.getElementById(named.htmlFor)
     field.focus(); field.select?.(); __seen.keys = []`,
    label,
  )
  for (const key of text) {
    await driver.actions().sendKeys(key).perform()
    await driver.sleep(60)
  }
  await driver.actions().sendKeys(Key.TAB).perform()
  await driver.sleep(300)
  return seen(driver)
}

/** What an owner sees of the program in a browser, with ten years of trade. */
export const benchBrowser = async (args: readonly string[]): Promise<void> => {
  const cluster = await testCluster({ onDisk: true })
  const driver = await openBrowser()
  try {
    const sales = args.includes('--quick') ? 1_000 : 100_000
    const { base, stop } = await serveFilled(cluster.url, 'browser', sales, TOKEN)
    await (
      driver as unknown as { sendDevToolsCommand: (name: string, what: object) => Promise<void> }
    ).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: WATCH })
    await driver.get(`${base}/sign-in`)
    await driver.findElement({ css: 'input[type=password]' }).sendKeys(PASSPHRASE, Key.ENTER)
    await driver.wait(async () => (await driver.getCurrentUrl()).endsWith('/today'), 20_000)
    const framework = ownOfFramework()
    console.log(
      `page                  drawn ms  opened ms   moved  held up ms   kB of scripts above the framework's ${(framework / 1000).toFixed(0)}`,
    )
    for (const [name, path] of Object.entries(PAGES)) {
      const s = await benchPage(driver, base + path)
      const figures = [s.paint.toFixed(0), s.opened.toFixed(0), s.moved.toFixed(3), s.long.toFixed(0)]
      console.log(
        `${name.padEnd(20)}${figures.map((f) => f.padStart(10)).join('')}${((s.scripts - framework) / 1000).toFixed(0).padStart(10)}`,
      )
    }
    await driver.get(`${base}/today`)
    await ready(driver)
    const went: number[] = []
    for (const path of [
      '/sales',
      '/owed',
      '/goods',
      '/buying',
      '/people',
      '/books',
      '/today',
      '/counter',
      '/sales',
      '/today',
    ])
      went.push(await follow(driver, path))
    console.log(`from place to place: median ${median(went).toFixed(0)} ms, longest ${Math.max(...went).toFixed(0)} ms`)
    const answer = await fetch(`${base}/api/v1/sales`, {
      method: 'POST',
      headers: { authorization: `Bearer ${TOKEN}`, 'content-type': 'application/json' },
      body: JSON.stringify({
        customerId: 50,
        lines: Array.from({ length: LINES }, (_, i) => ({
          description: `Part ${i}`,
          quantity: '2',
          unitPrice: `${i + 1}.50`,
        })),
      }),
    })
    const sale = (await answer.json()) as { id: number }
    const opened = await benchPage(driver, `${base}/sales/${sale.id}/change`)
    const typed = await typeInto(driver, 'Line 1: quantity', '12345')
    const keys = typed.keys.length > 0 ? typed.keys : [16]
    console.log(
      `a sale of ${LINES} lines: opened in ${opened.opened.toFixed(0)} ms; a key is drawn after ${median(keys).toFixed(0)} ms (longest ${Math.max(...keys).toFixed(0)}; ${typed.keys.length} took 16 and more)`,
    )
    const sheet = await benchPage(driver, `${base}/sales/${sale.id}`)
    console.log(`its sheet: opened in ${sheet.opened.toFixed(0)} ms`)
    stop()
  } finally {
    await driver.quit()
    await cluster.remove()
  }
}
