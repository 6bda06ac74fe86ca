import fc from 'fast-check'
import { sql } from 'drizzle-orm'
import { OPERATIONS } from '@/api/operations'
import type { Operation } from '@/api/operation'
import { jsonOf, sentTo, type Chance, type Json } from '../shapes'
import type { TestShop } from '../services/shop'
import type { Asked } from '../ask'
import { DAYS, FIGURES, ODD_DAYS, ODD_WORDS } from '../odd'

const DAY = /^(on|due|asOf|from|to|until|firstDue|firstOn|validUntil|wantedBy|openingDate|before)$/
/** Until when books are closed: seldom so late that all else is refused. */
const CLOSED = ['2026-01-31', '2026-02-28']
const WORDS = ['word', 'Bridge', 'a', 'x1']
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

/** Mostly the one, now and then the other. */
const usually = (usual: readonly string[], odd: readonly string[], times = 10): fc.Arbitrary<string> =>
  fc.oneof({ weight: times, arbitrary: fc.constantFrom(...usual) }, { weight: 1, arbitrary: fc.constantFrom(...odd) })
/** What usually stands in a field of this name, and what does not. */
const usual = (name: string): readonly [readonly string[], readonly string[]] =>
  name === 'through'
    ? [CLOSED, ODD_DAYS]
    : DAY.test(name)
      ? [DAYS, ODD_DAYS]
      : name === 'taxCode'
        ? [TAX_CODES, ODD_WORDS]
        : [WORDS, ODD_WORDS]

const chanceOf = (ids: Ids): Chance => {
  const isId = (name: string): boolean => /(Id|Ids)$/.test(name) || ids.has(snake(name).replace(/s$/, ''))
  return {
    spoiled: 4,
    number: (name) => (isId(name) ? idOf(ids, name) : fc.constantFrom(0, 1, 2, 3, 7, 12, 30, 100, 2026, 2027, -1)),
    text: (name, { pattern }: Json) => {
      if (typeof pattern !== 'string') return usually(...usual(name))
      if (pattern === '^\\d{1,9}$') return idOf(ids, name).map(String)
      const taken = new RegExp(pattern)
      const good = [...FIGURES, '2027-11', '#aabbcc', 'a@b.example', 'USD', 'A-1'].filter((text) => taken.test(text))
      return usually(good.length === 0 ? WORDS : good, [...ODD_WORDS, ...FIGURES], 60)
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
