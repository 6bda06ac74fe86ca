import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { DAYS, FIGURES, ODD_DAYS, ODD_WORDS, split } from './odd'

const OWNER = join(import.meta.dirname, '../src/app/(owner)')

/** Every page of the owner, as its address is written: `/sales/[id]`. */
export const ownersPages = (): readonly string[] =>
  readdirSync(OWNER, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('page.tsx'))
    .map((file) => `/${file.slice(0, -'page.tsx'.length).replace(/\/$/, '')}`)

const KEYS = split(
  'search state group view from to on asOf sort order after before page do customer sale goods tag by method kind stands q day month year ' +
    'supplier bill invoice place lot serial n id status basis account columns limit dir show only late open amount channel level spec budget compare',
)
const VALUES = [
  ...[...ODD_WORDS.map((word) => word.slice(0, 2_000)), ...FIGURES, ...DAYS, ...ODD_DAYS],
  ...split(
    '99999999999999999999 a\u0000b [] {} {"id":1} true null __proto__ constructor toString number.desc total:asc -name NaN 1e9',
  ),
  ...split('pay-how terms sale balance-sheet 2027-W01 2027-13 q1 ../../etc/passwd 9999-12-31'),
  Buffer.from('{"id":99999999999,"on":"x"}').toString('base64url'),
]
const PARTS = split('1 2 3 10 100 0 -1 x 999999 2147483648 1.5 %00 %E0%A4%A __proto__ new')

/** Every page with one value behind every name an address may have. */
export const addressesWith = (pages: readonly string[], value: string): readonly string[] =>
  pages.map((page) => page.replaceAll(/\[\w+\]/g, '1') + queryString(KEYS.map((key) => [key, value])))

/** So many addresses of pages of chance: of papers that are there or not, with whatever may stand after the question mark. */
export const addressesOfChance = (pages: readonly string[], seed: number, count: number): readonly string[] => {
  const part = fc.oneof(
    { weight: 3, arbitrary: fc.integer({ min: 1, max: 200 }).map(String) },
    { weight: 1, arbitrary: fc.constantFrom(...PARTS) },
  )
  const query = fc.array(fc.tuple(fc.constantFrom(...KEYS), fc.constantFrom(...VALUES)), { maxLength: 4 })
  const address = fc
    .tuple(fc.constantFrom(...pages), part, query)
    .map(([page, value, asked]) => `${page.replaceAll(/\[\w+\]/g, () => value)}${queryString(asked)}`)
  return fc.sample(address, { seed, numRuns: count })
}
const queryString = (asked: readonly (readonly [string, string])[]): string =>
  asked.length === 0 ? '' : `?${asked.map(([k, v]) => `${k}=${encodeURIComponent(v)}`).join('&')}`
