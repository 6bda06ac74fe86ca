import fc from 'fast-check'
import { sql } from 'drizzle-orm'
import { OPERATIONS } from '@/api/operations'
import type { Operation } from '@/api/operation'
import { jsonOf, sentTo, type Chance, type Json } from '../shapes'
import type { TestShop } from '../services/shop'
import type { Asked } from './ask'

const FIGURES = [
  '1',
  '2',
  '3',
  '12',
  '50',
  '100',
  '0',
  '0.00',
  '0.01',
  '1.00',
  '5.00',
  '10.00',
  '25.50',
  '33.33',
].concat(['7.5', '0.3333', '99.99', '100.01', '1234.56', '999999999.99', '0.0001', '1.005', '-1.00', '-12.5'])
const DAYS = ['2027-12-30', '2027-12-29', '2027-12-01', '2027-11-30', '2027-09-15', '2027-06-30', '2027-01-01']
  .concat(['2026-12-31', '2026-07-04', '2026-03-10', '2026-01-31', '2027-12-31', '2028-02-29', '1990-01-01'])
  .concat(['2199-12-31', '2027-02-29', '2027-13-01'])
const DAY = /^(on|due|asOf|from|to|until|through|firstDue|firstOn|validUntil|wantedBy|openingDate|before)$/
const WORDS = [
  '',
  ' ',
  'a',
  'word',
  'x'.repeat(120),
  'x'.repeat(5_000),
  'é\u0301ß',
  '\u202Eabc',
  '💰🎻',
  '<b>&"\'',
  '٣',
].concat(['a\tb', 'line\nline', '%', '_', '\\', '\uFEFFq', "'; drop table sale", '=1+1', '@x', '00012', 'null', '−'])
const TAX_CODES = ['STD', 'RC', 'ZERO', 'NONE']

/** What a call takes that would change how it is reached, or takes minutes by itself. */
const LEFT_OUT = /^\/(setup|settings\/passphrase|backups)/

type Ids = ReadonlyMap<string, number>
const snake = (name: string): string => name.replaceAll(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)

/** The highest id of each table, by its name. */
const idsOf = async (db: TestShop['db']): Promise<Ids> => {
  const tables = await db.execute<{ name: string }>(
    sql`select table_name as name from information_schema.columns
        where table_schema = 'public' and column_name = 'id' and data_type = 'integer'`,
  )
  const ids = new Map<string, number>()
  for (const { name } of tables) {
    const [row] = await db.execute<{ most: number | null }>(sql`select max(id) as most from ${sql.identifier(name)}`)
    ids.set(name, row!.most ?? 1)
  }
  return ids
}

/** An id of what a name says: `saleId` of a sale, `sales` of one; of something that may not exist now and then. */
const idOf = (ids: Ids, name: string): fc.Arbitrary<number> => {
  const table = snake(name.replace(/Ids?$/, ''))
  const most = ids.get(table) ?? ids.get(table.replace(/s$/, '')) ?? ids.get(`sale_${table}`) ?? 40
  return fc.oneof(
    { weight: 30, arbitrary: fc.integer({ min: 1, max: most }) },
    { weight: 1, arbitrary: fc.constantFrom(0, 999_999, 2_147_483_647) },
  )
}

const chanceOf = (ids: Ids): Chance => {
  const isId = (name: string): boolean => /(Id|Ids)$/.test(name) || ids.has(snake(name).replace(/s$/, ''))
  return {
    spoiled: 4,
    number: (name) => (isId(name) ? idOf(ids, name) : fc.constantFrom(0, 1, 2, 3, 7, 12, 30, 100, 2026, 2027, -1)),
    text: (name, { pattern }: Json) => {
      if (typeof pattern !== 'string')
        return DAY.test(name)
          ? fc.constantFrom(...DAYS)
          : name === 'taxCode'
            ? fc.constantFrom(...TAX_CODES)
            : fc.constantFrom(...WORDS)
      if (pattern === '^\\d{1,9}$') return idOf(ids, name).map(String)
      const taken = new RegExp(pattern)
      const good = [...FIGURES, '2027-11', '#aabbcc', 'a@b.example', 'USD', 'A-1'].filter((text) => taken.test(text))
      return good.length === 0
        ? fc.constantFrom(...WORDS)
        : fc.oneof(
            { weight: 60, arbitrary: fc.constantFrom(...good) },
            { weight: 1, arbitrary: fc.constantFrom(...WORDS, ...FIGURES) },
          )
    },
  }
}

const filled = (path: string, ids: Ids): fc.Arbitrary<string> => {
  const [, noun = '', ...parts] = path.split('/')
  const named = parts.filter((part) => part.startsWith('{')).map((part) => part.slice(1, -1))
  const values = named.map((name) => idOf(ids, name === 'id' ? noun.replaceAll('-', '_').replace(/s$/, '') : name))
  return fc.tuple(...values).map((all) => all.reduce<string>((p, v, i) => p.replace(`{${named[i]!}}`, String(v)), path))
}

const queryOf = (sent: unknown): string => {
  const given = Object.entries(sent ?? {}).map(([k, v]): [string, string] => [
    k,
    typeof v === 'string' ? v : (JSON.stringify(v) ?? ''),
  ])
  return given.length === 0 ? '' : `?${new URLSearchParams(given).toString()}`
}

const requestsOf = (operation: Operation, ids: Ids): fc.Arbitrary<Asked> => {
  const chance = chanceOf(ids)
  return fc
    .record({
      path: filled(operation.path, ids),
      query: operation.query ? sentTo(jsonOf(operation.query), chance) : fc.constant({}),
      body: operation.body ? sentTo(jsonOf(operation.body), chance) : fc.constant(undefined),
    })
    .map(({ path, query, body }) => ({
      method: operation.method,
      path: `/api/v1${path}${queryOf(query)}`,
      body: operation.method === 'GET' ? undefined : body,
    }))
}

/** So many requests of chance, of every call there is, about what a business holds: the same ones for the same seed and the same business. */
export const requestsOfChance = async (db: TestShop['db'], seed: number, count: number): Promise<readonly Asked[]> => {
  const ids = await idsOf(db)
  const calls = OPERATIONS.filter((o) => !o.file && !LEFT_OUT.test(o.path))
  return fc.sample(fc.oneof(...calls.map((o) => requestsOf(o, ids))), { seed, numRuns: count })
}

const KEYS =
  'search state group view from to on asOf sort order after before page do customer sale goods tag by method kind'
    .concat(
      ' stands q day month year supplier bill invoice place lot serial n id status basis account columns limit dir show',
    )
    .concat(' only late open amount channel level spec as of budget compare')
    .split(' ')
const VALUES = [...WORDS.map((word) => word.slice(0, 2_000)), ...FIGURES, ...DAYS, '99999999999999999999', 'a\u0000b']
  .concat([
    '[]',
    '{}',
    '{"id":1}',
    'true',
    'null',
    '__proto__',
    'constructor',
    'toString',
    'number.desc',
    'total:asc',
    '-name',
  ])
  .concat([
    'pay-how',
    'terms',
    'sale',
    'balance-sheet',
    '2027-W01',
    '2027-13',
    'q1',
    '../../etc/passwd',
    'NaN',
    '1e9',
    '9999-12-31',
  ])
  .concat([Buffer.from('{"id":99999999999,"on":"x"}').toString('base64url')])
const PARTS = [
  '1',
  '2',
  '3',
  '10',
  '100',
  '0',
  '-1',
  'x',
  '999999',
  '2147483648',
  '1.5',
  '%00',
  '%E0%A4%A',
  '__proto__',
  'new',
]

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
