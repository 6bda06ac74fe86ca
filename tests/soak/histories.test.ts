import { afterAll, expect, test } from 'vitest'
import { day } from '@/core/day'
import { addCustomer } from '@/services/people/keepCustomer'
import type { Command } from '@/services/command'
import { History } from '../services/history/history'
import { KINDS_OF_BUSINESS, openKind } from '../services/history/shops'
import { stepsOfChance } from '../services/history/steps'
import { dropDatabases } from '../services/shop'
import { NOTHING_OFF, whatIsOff } from './whatIsOff'

/**
 * `npm run histories`: one hand, thousands of commands on one business, the same again for the same seed. A business that has been
 * through that much holds what a short history never comes by. TILL_SEED is what chance begins with, TILL_COMMANDS how many steps on
 * each kind of business (10,000), TILL_MINUTES how long at most on each (30). What breaks is told with the commands before it.
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_129)
const STEPS = Number(process.env.TILL_COMMANDS ?? 10_000)
const MINUTES = Number(process.env.TILL_MINUTES ?? 30)
const EACH = 250
const CUSTOMERS = 20
const TODAY = day('2027-12-30')

afterAll(dropDatabases)

/** A history that remembers the last commands it did, to be told when something breaks. */
class Told extends History {
  readonly last: string[] = []

  override async attempt<I, A>(command: Command<I, A>, input: I): Promise<string> {
    const call = `${command.name} ${JSON.stringify(input)}`
    const outcome = await super.attempt(command, input).catch((problem: unknown) => {
      throw new Error([`${call} broke, after:`, ...this.last.slice(-30)].join('\n'), { cause: problem })
    })
    if (outcome === 'done') this.last.push(call)
    return outcome
  }
}

test.each(KINDS_OF_BUSINESS.map((kind, i) => [i + 1, kind] as const))(
  'every tie stays at zero over one long history, business %i',
  { timeout: (MINUTES + 5) * 60_000 },
  async (_, kind) => {
    const { shop, told } = await openKind(kind)
    const customers: number[] = []
    for (let i = 0; i < CUSTOMERS; i++) customers.push(await shop.run(addCustomer, { name: `Customer ${i}` }))
    const h = new Told({ ...shop }, told)
    h.today = TODAY
    const began = performance.now()
    const chance = stepsOfChance(SEED)
    for (let n = 1; n <= STEPS && performance.now() - began < MINUTES * 60_000; n++) {
      const x = chance.next().value
      h.shop = { ...h.shop, customer: customers[(x.pick + x.cents) % CUSTOMERS]! }
      await h.play(x)
      if (n % EACH > 0) continue
      expect(await whatIsOff(shop, TODAY), h.last.slice(-EACH).join('\n')).toEqual(NOTHING_OFF)
      if (n % (EACH * 8) === 0) console.log(`${n} steps, ${h.done} done`)
    }
  },
)
