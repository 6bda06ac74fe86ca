import { expect, test } from 'vitest'
import { OPERATIONS } from '@/api/operations'
import { ownersPages } from '../addresses'
import { ask, askAll, signIn, TOKEN_HEADERS } from '../ask'
import { businessOf } from './business'

/**
 * `npm run histories`: of a business that has been through thousands of commands of chance, every page opens and everything that is read
 * over HTTP answers, whichever of its papers it is about.
 */
const SEED = Number(process.env.TILL_SEED ?? 20_261_129)
const STEPS = Number(process.env.TILL_PAGES_AFTER ?? 3_000)
/** Papers of each kind that are opened, by their ids. */
const IDS = Array.from({ length: 60 }, (_, i) => 1 + i * Math.ceil((i + 1) / 12))

const business = businessOf(SEED, STEPS)

/** Those of many addresses that do not answer. */
const broken = async (paths: readonly string[], headers: Readonly<Record<string, string>>): Promise<string[]> => {
  const found: string[] = []
  await askAll(paths, async (path) => {
    const { status } = await ask(business().port, { path, headers })
    if (status >= 500) found.push(`${status} ${path}`)
  })
  return found
}
const withIds = (path: string): readonly string[] =>
  /[[{]/.test(path) ? IDS.map((id) => path.replaceAll(/\[\w+\]|\{\w+\}/g, String(id))) : [path]

test('every page opens', { timeout: 900_000 }, async () => {
  const pages = ownersPages()
  expect(pages.length).toBeGreaterThan(60)
  expect(await broken(pages.flatMap(withIds), { cookie: await signIn(business().port) })).toEqual([])
})

test('everything that is read over HTTP answers', { timeout: 900_000 }, async () => {
  const paths = OPERATIONS.filter((o) => o.method === 'GET').map((o) => `/api/v1${o.path}`)
  expect(paths.length).toBeGreaterThan(80)
  expect(await broken(paths.flatMap(withIds), TOKEN_HEADERS)).toEqual([])
})
