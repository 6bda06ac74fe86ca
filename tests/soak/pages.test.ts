import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { day } from '@/core/day'
import { OPERATIONS } from '@/api/operations'
import { build } from '../../scripts/build'
import { PASSPHRASE, TOKEN } from '../browser/till'
import { startServers } from '../servers'
import { KINDS_OF_BUSINESS, openKind } from '../services/history/shops'
import { stepsOfChance } from '../services/history/steps'
import { History } from '../services/history/history'
import { dropDatabases } from '../services/shop'

/**
 * `npm run histories`: of a business that has been through thousands of commands of chance, every page opens and everything that is read
 * over HTTP answers, whichever of its papers it is about.
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_129)
const STEPS = Number(process.env.TILL_PAGES_AFTER ?? 3_000)
/** Papers of each kind that are opened, by their ids. */
const IDS = Array.from({ length: 60 }, (_, i) => 1 + i * Math.ceil((i + 1) / 12))
const TODAY = day('2027-12-30')
const PAGES = join(import.meta.dirname, '../../src/app/(owner)')

let servers: Awaited<ReturnType<typeof startServers>>
let cookie: string
beforeAll(async () => {
  build()
  const { shop, told } = await openKind(KINDS_OF_BUSINESS[SEED % KINDS_OF_BUSINESS.length]!)
  const h = new History({ ...shop }, told)
  h.today = TODAY
  const chance = stepsOfChance(SEED)
  for (let n = 0; n < STEPS; n++) await h.play(chance.next().value)
  servers = await startServers(1, shop.url, { TILL_API_TOKEN: TOKEN, TILL_TODAY: TODAY, TILL_CHECK_ANSWERS: '1' })
  const origin = `http://127.0.0.1:${servers.ports[0]}`
  const session = await fetch(`${origin}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  })
  cookie = session.headers.get('set-cookie')!.split(';')[0]!
}, 900_000)
afterAll(async () => {
  servers?.close()
  await dropDatabases()
})

const statusOf = async (path: string, headers: Record<string, string>): Promise<number> => {
  const answer = await fetch(`http://127.0.0.1:${servers.ports[0]}${path}`, { headers, redirect: 'manual' })
  const text = await answer.text()
  // A page that breaks while it is written has begun with a 200; one that leads elsewhere, or finds nothing, says so by a name of its own.
  return /data-dgst="(?!NEXT_)|:E\{\\?"digest\\?":\\?"(?!NEXT_)/.test(text) ? 500 : answer.status
}
/** Those of many addresses that do not answer, four asked at a time. */
const broken = async (paths: readonly string[], headers: Record<string, string>): Promise<string[]> => {
  const left = [...paths]
  const found: string[] = []
  const hand = async () => {
    for (let path = left.shift(); path; path = left.shift()) {
      const status = await statusOf(path, headers)
      if (status >= 500) found.push(`${status} ${path}`)
    }
  }
  await Promise.all([hand(), hand(), hand(), hand()])
  return found
}
const withIds = (path: string): readonly string[] =>
  /[[{]/.test(path) ? IDS.map((id) => path.replaceAll(/\[\w+\]|\{\w+\}/g, String(id))) : [path]

test('every page opens', { timeout: 900_000 }, async () => {
  const pages = readdirSync(PAGES, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('page.tsx'))
    .map((file) => `/${file.slice(0, -'page.tsx'.length).replace(/\/$/, '')}`)
  expect(pages.length).toBeGreaterThan(60)
  expect(await broken(pages.flatMap(withIds), { cookie })).toEqual([])
})

test('everything that is read over HTTP answers', { timeout: 900_000 }, async () => {
  const paths = OPERATIONS.filter((o) => o.method === 'GET').map((o) => `/api/v1${o.path}`)
  expect(paths.length).toBeGreaterThan(80)
  expect(await broken(paths.flatMap(withIds), { authorization: `Bearer ${TOKEN}` })).toEqual([])
})
