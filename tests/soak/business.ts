import { afterAll, beforeAll } from 'vitest'
import { day } from '@/core/day'
import { build } from '../../scripts/build'
import { startServers } from '../servers'
import { KINDS_OF_BUSINESS, openKind } from '../services/history/shops'
import { stepsOfChance } from '../services/history/steps'
import { History } from '../services/history/history'
import { TOKEN } from '../browser/till'
import { dropDatabases } from '../services/shop'

/** The server's day, two years after the first day of what happened. */
export const TODAY = day('2027-12-30')

/** The built program on such a business, for the tests of one file. */
export const businessOf = (seed: number, steps: number) => {
  let business: Awaited<ReturnType<typeof openBusiness>>
  beforeAll(async () => {
    build()
    business = await openBusiness(seed, steps)
  }, 900_000)
  afterAll(async () => {
    business?.close()
    await dropDatabases()
  })
  return () => business
}

/** A business that has been through so many commands of chance, and a server of it that holds every answer against its schema. */
const openBusiness = async (seed: number, steps: number) => {
  const { shop, told } = await openKind(KINDS_OF_BUSINESS[seed % KINDS_OF_BUSINESS.length]!)
  const h = new History({ ...shop }, told)
  h.today = TODAY
  const chance = stepsOfChance(seed)
  for (let n = 0; n < steps; n++) await h.play(chance.next().value)
  // What breaks is told with where it broke.
  const env = { TILL_API_TOKEN: TOKEN, TILL_TODAY: TODAY, TILL_CHECK_ANSWERS: '1', TILL_LOG: 'error' }
  const servers = await startServers(1, shop.url, env)
  return { shop, port: servers.ports[0]!, close: servers.close }
}
