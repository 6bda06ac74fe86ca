import fc from 'fast-check'
import { error, Key, type WebDriver } from 'selenium-webdriver'
import type { Driver } from 'selenium-webdriver/chrome'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openBrowser, setSize } from '../../scripts/browser'
import { ownersPages } from '../addresses'
import { handsOn } from '../browser/till'
import { DAYS, FIGURES, ODD_DAYS, ODD_WORDS, split } from '../odd'
import { businessOf, TODAY } from './business'
import { doneIn, lookAt, WATCHES, wrongAnswers, type Look } from './look'
import { NOTHING_OFF, whatIsOff } from './whatIsOff'

/**
 * `npm run walk`: somebody presses and types whatever is in sight, at a desk and on a phone. Nothing breaks, nothing is refused without a
 * sentence, nothing typed is lost by it, nothing lies over the side or under something else, and the books agree after it. TILL_SEED is
 * what chance begins with, TILL_MINUTES how long (10).
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_130)
const MINUTES = Number(process.env.TILL_MINUTES ?? 10)
const SIZES = { desk: [1280, 800], phone: [390, 844] } as const
/** Somebody goes to another page after so many steps, and sees so many of them in what is told of a thing found. */
const [A_WHILE, TOLD] = [40, 14]

const business = businessOf(SEED, 400)
/** Where a backup is brought back, chance has no business. */
const pages = ownersPages().filter((page) => !page.includes('/data'))
let driver: WebDriver
let base: string
beforeAll(async () => {
  base = `http://127.0.0.1:${business().port}`
  driver = await openBrowser()
  await (driver as Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: WATCHES })
  await handsOn(driver, base).signIn()
}, 60_000)
afterAll(() => driver?.quit())

const found = new Map<string, string>()
const finds = (what: string, at: string, steps: readonly string[] = []): void => {
  const key = `${what.replaceAll(/\d+/g, '').slice(0, 90)} ${at.replaceAll(/\d+|\?.*/g, '')}`
  if (found.has(key)) return
  found.set(key, `${what}\n    at ${at} after ${steps.slice(-TOLD).join(' · ')}`)
  console.log(found.get(key))
}

test('every page opens without a complaint', { timeout: 900_000 }, async () => {
  for (const [size, [width, height]] of Object.entries(SIZES)) {
    await setSize(driver, width, height)
    for (const page of pages)
      for (const id of page.includes('[') ? ['1', '7', '20'] : ['']) {
        await driver.get(base + page.replaceAll(/\[\w+\]/g, id))
        const look = await lookAt(driver)
        for (const what of look.wrong) finds(what, `${look.at} (${size})`)
      }
  }
  expect([...found.values()]).toEqual([])
})

const figures = fc.constantFrom(...FIGURES.slice(0, 16))
const words = fc.constantFrom(
  ...split('Ana viola case 10% 1/2 someone@example.com'),
  ...ODD_WORDS.filter((w) => w.length < 200),
)
const ANY = fc.oneof(
  { weight: 6, arbitrary: figures },
  { weight: 2, arbitrary: fc.constantFrom(...FIGURES) },
  { weight: 2, arbitrary: fc.constantFrom(...DAYS) },
  { weight: 4, arbitrary: words },
)
const A_DAY = fc.oneof(
  { weight: 5, arbitrary: fc.constantFrom(...DAYS) },
  { weight: 1, arbitrary: fc.constantFrom(...ODD_DAYS, 'x', '') },
)
/** How often what is tried: fields before what leads elsewhere. */
const WEIGHTS: Readonly<Record<string, number>> = { option: 8, button: 5, select: 5, radio: 4, checkbox: 3, link: 1 }
const KEYS = [[Key.ESCAPE], [Key.TAB], [Key.ENTER], [Key.ARROW_DOWN], [Key.chord(Key.CONTROL, Key.ENTER)]]
/** An element that went away meanwhile is found anew at the next look. */
const isGone = (problem: unknown): boolean =>
  problem instanceof error.StaleElementReferenceError ||
  problem instanceof error.ElementNotInteractableError ||
  problem instanceof error.ElementClickInterceptedError

test('whatever is pressed and typed', { timeout: (MINUTES + 5) * 60_000 }, async () => {
  const i = handsOn(driver, base)
  const until = performance.now() + MINUTES * 60_000
  let drawn = 0
  const one = <T>(from: fc.Arbitrary<T>): T => fc.sample(fc.noBias(from), { seed: SEED + drawn++, numRuns: 1 })[0]!
  const below = (most: number): number => one(fc.nat(most - 1))
  let done = 0
  let steps: string[] = []
  let before: Look | null = null
  for (let n = 0; performance.now() < until; n++) {
    if (n % A_WHILE === 0) {
      const [size, [width, height]] = one(fc.constantFrom(...Object.entries(SIZES)))
      await setSize(driver, width, height)
      const page = one(fc.constantFrom(...pages)).replaceAll(/\[\w+\]/g, () => String(1 + below(40)))
      steps = [`${size} ${page}`]
      before = null
      await driver.get(base + page)
    }
    const look = await lookAt(driver)
    for (const what of [...look.wrong, ...wrongAnswers(look, before)]) finds(what, look.at, steps)
    before = look
    done += doneIn(look)
    if (look.at.startsWith('/sign-in')) {
      await i.signIn()
      continue
    }
    const choices = look.hands.map((hand, at) => ({ hand, kind: look.kinds[at]!, name: look.names[at]! }))
    const weighed = choices.map((c) => ({
      weight: c.kind.startsWith('aside') ? 1 : 10 * (WEIGHTS[c.kind] ?? 6),
      arbitrary: fc.constant(c),
    }))
    if (weighed.length === 0 || below(10) === 0) {
      const keys = one(fc.constantFrom(...KEYS))
      steps.push(`keys ${JSON.stringify(keys)}`)
      await i.press(...keys)
      continue
    }
    const { hand, kind, name } = one(fc.oneof(...weighed))
    try {
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" }); arguments[0].focus()', hand)
      if (kind.endsWith('select')) {
        steps.push(`choose in ${name}`)
        await i.press(...Array.from({ length: 1 + below(4) }, () => Key.ARROW_DOWN))
      } else if (/(option|link|button|radio|checkbox)$/.test(kind)) {
        steps.push(`press ${name}`)
        await (below(2) === 0
          ? hand.click()
          : i.press(kind.endsWith('box') || kind.endsWith('radio') ? ' ' : Key.ENTER))
      } else {
        const text = one(/date|day|until|from|due/i.test(name) ? A_DAY : ANY).replaceAll('\n', ' ')
        steps.push(`type “${text.slice(0, 30)}” into ${name}`)
        await i.chord(Key.CONTROL, 'a')
        await i.press(text || Key.BACK_SPACE)
        if (below(4) === 0) await i.press(Key.ENTER)
      }
    } catch (problem) {
      if (!isGone(problem)) throw problem
    }
  }
  console.log(`${drawn} times chance was asked, ${done} commands were done`)
  expect(await whatIsOff(business().shop, TODAY)).toEqual(NOTHING_OFF)
  expect([...found.values()]).toEqual([])
  // Nothing is proved where nothing is done.
  expect(done).toBeGreaterThan(MINUTES)
})
