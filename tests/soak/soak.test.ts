import { afterAll, beforeAll, expect, test } from 'vitest'
import { day } from '@/core/day'
import { present } from '@/core/present'
import { addCustomer } from '@/services/people/keepCustomer'
import { build } from '../../scripts/build'
import { startServers } from '../servers'
import { TOKEN } from '../browser/till'
import { stepsOfChance, type Step } from '../services/history/steps'
import { KINDS_OF_BUSINESS, openKind } from '../services/history/shops'
import { dropDatabases } from '../services/shop'
import { Hand } from './hand'
import { NOTHING_OFF, whatIsOff } from './whatIsOff'

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

let servers: Awaited<ReturnType<typeof startServers>>
let hands: Hand[]
beforeAll(async () => {
  build()
  const { shop, told: all } = await openKind(present(KINDS_OF_BUSINESS[SEED % KINDS_OF_BUSINESS.length]))
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

/** The newest sales as each server lists them: each remembers other looks. What happens by itself may come between two of them. */
const listedAlike = async (ports: readonly number[], again = 3): Promise<boolean> => {
  const headers = { authorization: `Bearer ${TOKEN}` }
  const lists = await Promise.all(
    ports.map(async (port) => (await fetch(`http://127.0.0.1:${port}/api/v1/sales?limit=200`, { headers })).text()),
  )
  if (new Set(lists).size === 1) return lists[0]!.includes('"items"')
  return again > 0 && listedAlike(ports, again - 1)
}

let played: (hand: Hand, x: Step) => Promise<unknown>

test(
  'every tie is zero after each thousand commands over three servers',
  { timeout: (MINUTES + 10) * 60_000 },
  async () => {
    const began = performance.now()
    const minutes = () => (performance.now() - began) / 60_000
    const chance = stepsOfChance(SEED)
    let sent = 0
    while (sent < COMMANDS && minutes() < MINUTES) {
      const until = sent + EACH
      await Promise.all(
        hands.map(async (hand) => {
          while (sent++ < until) await played(hand, chance.next().value as Step)
        }),
      )
      sent = until
      expect(await whatIsOff(hands[0]!.shop, TODAY)).toEqual(NOTHING_OFF)
      expect(await listedAlike(servers.ports)).toBe(true)
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
