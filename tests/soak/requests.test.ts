import { expect, test } from 'vitest'
import { addressesOfChance, ownersPages } from '../addresses'
import { ask, askAll, signIn, TOKEN_HEADERS, type Asked } from '../ask'
import { businessOf, TODAY } from './business'
import { requestsOfChance } from './chance'
import { NOTHING_OFF, whatIsOff } from './whatIsOff'

/**
 * `npm run requests`: whatever may be sent by its shape, to every call, about papers that are there, is done or refused with a sentence;
 * whatever stands in an address, its page opens; and nothing of the books is off after it. TILL_SEED is what chance begins with,
 * TILL_REQUESTS how many (20,000), TILL_MINUTES how long at most (30).
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_129)
const REQUESTS = Number(process.env.TILL_REQUESTS ?? 20_000)
const MINUTES = Number(process.env.TILL_MINUTES ?? 30)
const EACH = 1_000
const STEPS = 600

const business = businessOf(SEED, STEPS)

/** What answered worse than with a sentence, once for each call. */
const worse = new Map<string, string>()
const told = (asked: Asked): string =>
  `${asked.method ?? 'GET'} ${asked.path} ${JSON.stringify(asked.body)?.slice(0, 2_000) ?? ''}`

test('every request is done, or refused with a sentence', { timeout: (MINUTES + 10) * 60_000 }, async () => {
  const until = performance.now() + MINUTES * 60_000
  const answered = new Map<number, number>()
  for (let n = 0; n < REQUESTS && performance.now() < until; n += EACH) {
    await askAll(await requestsOfChance(business().shop.db, SEED + n, EACH), async (asked) => {
      const { status, type, text } = await ask(business().port, { ...asked, headers: TOKEN_HEADERS })
      answered.set(status, (answered.get(status) ?? 0) + 1)
      const sentence = status < 400 || type.startsWith('application/problem+json')
      const call = `${asked.method} ${asked.path.replaceAll(/\d+|\?.*/g, '')} ${text.slice(0, 80)}`
      if ((status >= 500 || !sentence) && !worse.has(call)) worse.set(call, `${status} ${told(asked)} ${text}`)
    })
    console.log(`${n + EACH} requests`, Object.fromEntries(answered), [...worse.values()])
    expect(await whatIsOff(business().shop, TODAY)).toEqual(NOTHING_OFF)
  }
  expect([...worse.values()]).toEqual([])
  // Nothing is proved where everything is refused.
  expect((answered.get(200) ?? 0) + (answered.get(201) ?? 0)).toBeGreaterThan(EACH / 10)
})

test('every page opens, whatever stands in its address', { timeout: MINUTES * 60_000 }, async () => {
  const cookie = await signIn(business().port)
  const found: string[] = []
  await askAll(addressesOfChance(ownersPages(), SEED, REQUESTS / 4), async (path) => {
    const { status } = await ask(business().port, { path, headers: { cookie } })
    if (status >= 500) found.push(`${status} ${path}`)
  })
  expect(found).toEqual([])
})
