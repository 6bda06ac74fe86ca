import fc from 'fast-check'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { addDays, day } from '@/core/day'
import { addCustomer } from '@/services/people/keepCustomer'
import { build } from '../../scripts/build'
import { startServers } from '../servers'
import { TOKEN } from '../browser/till'
import { addMaker } from '../services/history/buying'
import { cashIsOff, taxIsOff } from '../services/history/books'
import { neverBelowZero, neverMiscounted, neverTooMuchCredited, notInvoicedIsOff } from '../services/history/limits'
import { countsThatAreOff, looksThatAreOff } from '../services/history/looks'
import { addDuo, addOutfit, addToldGoods } from '../services/history/pieces'
import { step, type Step } from '../services/history/steps'
import { dropDatabases, openTestShop } from '../services/shop'
import { Hand } from './hand'

/**
 * `npm run soak`: random commands over three servers of one business, papers dated in any order, many hands at once.
 * TILL_SEED is what chance begins with, TILL_COMMANDS how many (100,000), TILL_MINUTES how long at most (60).
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_128)
const COMMANDS = Number(process.env.TILL_COMMANDS ?? 100_000)
const MINUTES = Number(process.env.TILL_MINUTES ?? 60)
const HANDS = 6
const EACH = 1_000
const CUSTOMERS = 60
/** The servers' day: everything happens on it or on a day of the two years before. */
const TODAY = day('2027-12-30')
const BACK = 720

let servers: Awaited<ReturnType<typeof startServers>>
let hands: Hand[]
beforeAll(async () => {
  build()
  const shop = await openTestShop({})
  const told = await addToldGoods(shop)
  const all = { ...told, outfit: await addOutfit(shop, told), duo: await addDuo(shop), supplier: await addMaker(shop) }
  const customers: number[] = []
  for (let i = 0; i < CUSTOMERS; i++) customers.push(await shop.run(addCustomer, { name: `Customer ${i}` }))
  servers = await startServers(3, shop.url, { TILL_API_TOKEN: TOKEN, TILL_TODAY: TODAY })
  hands = Array.from({ length: HANDS }, () => {
    const hand = new Hand({ ...shop }, all)
    hand.today = TODAY
    hand.ports = servers.ports
    return hand
  })
  played = (hand, x) => {
    hand.shop = { ...hand.shop, customer: customers[(x.pick + x.cents) % CUSTOMERS]! }
    return hand.play(x)
  }
}, 300_000)
afterAll(async () => {
  servers?.close()
  await dropDatabases()
})
let played: (hand: Hand, x: Step) => Promise<unknown>

/** Steps of chance: most of them dated on some day of the last two years. */
function* steps(): Generator<Step> {
  for (let seed = SEED; ; seed++)
    for (const x of fc.sample(step, { seed, numRuns: EACH }))
      yield { ...x, later: 0, back: x.pick % 4 === 0 ? 0 : (x.cents * 7 + x.pick) % BACK }
}

const whatIsOff = async (): Promise<unknown> => {
  const { shop } = hands[0]!
  const days = Array.from({ length: 12 }, (_, i) => addDays(TODAY, -i * 61))
  return {
    ties: (await Promise.all(days.map((d) => shop.ties(d)))).flat(),
    notInvoiced: await Promise.all(days.map((d) => notInvoicedIsOff(shop.db, d))),
    tax: (await Promise.all(days.map((d) => taxIsOff(shop.db, d)))).flat(),
    cash: await Promise.all(days.map((d) => cashIsOff(shop.db, addDays(d, -50), d))),
    below: await neverBelowZero(shop.db),
    credited: await neverTooMuchCredited(shop.db),
    miscounted: await neverMiscounted(shop.db),
    looks: await looksThatAreOff(shop as never, TODAY, 300),
    counts: await countsThatAreOff(shop as never),
  }
}
const NOTHING = {
  ties: [],
  notInvoiced: Array(12).fill(0n),
  tax: Array(24).fill(0n),
  cash: Array(12).fill(0n),
  below: [],
  credited: [],
  miscounted: [],
  looks: [],
  counts: [],
}

test(
  'every tie is zero after each thousand commands over three servers',
  { timeout: (MINUTES + 10) * 60_000 },
  async () => {
    const began = performance.now()
    const minutes = () => (performance.now() - began) / 60_000
    const chance = steps()
    let sent = 0
    while (sent < COMMANDS && minutes() < MINUTES) {
      const until = sent + EACH
      await Promise.all(
        hands.map(async (hand) => {
          while (sent++ < until) await played(hand, chance.next().value as Step)
        }),
      )
      sent = until
      expect(await whatIsOff()).toEqual(NOTHING)
      const done = hands.reduce((sum, h) => sum + h.done, 0)
      const twice = hands.reduce((sum, h) => sum + h.twice, 0)
      console.log(
        `${sent} commands, ${done} done, ${twice} of them sent to two servers, ${minutes().toFixed(1)} minutes`,
      )
    }
    const refused = new Map<string, number>()
    for (const hand of hands) for (const [why, n] of hand.refused) refused.set(why, (refused.get(why) ?? 0) + n)
    console.log(Object.fromEntries([...refused].sort((a, b) => b[1] - a[1])))
    expect(hands.reduce((sum, h) => sum + h.done, 0)).toBeGreaterThan(sent / 5)
  },
)
