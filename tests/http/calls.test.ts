import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { readFileSync } from 'node:fs'
import { openApi } from '@/api/openapi'
import type { Operation } from '@/api/operation'
import { OPERATIONS } from '@/api/operations'
import { ANSWERS } from '@/contract/answers'
import { openTill, PASSPHRASE, TOKEN, type Till } from '../browser/till'
import { jsonOf, type Json } from '../shapes'

const nameOf = ({ method, path }: Operation): string => `${method} ${path}`
const CALLS = OPERATIONS.map((operation) => [nameOf(operation), operation] as const)

let till: Till
beforeAll(async () => {
  till = await openTill('calls')
  await till.request('POST', '/setup', { name: 'Calls', currency: 'USD', passphrase: PASSPHRASE })
})
afterAll(() => till.close())

const send = (operation: Operation, headers: Record<string, string>, body?: unknown): Promise<Response> =>
  fetch(`${till.base}/api/v1${operation.path.replace(/\{\w+\}/g, '1')}`, {
    method: operation.method,
    headers: { ...headers, ...(operation.method === 'GET' ? {} : { 'content-type': 'application/json' }) },
    ...(operation.method === 'GET' ? {} : { body: JSON.stringify(body ?? {}) }),
  })

describe('the contract', () => {
  test('names every call of the table, once, and no other', () => {
    expect(Object.keys(ANSWERS).sort()).toEqual(CALLS.map(([name]) => name).sort())
  })

  test('says what every call takes that changes something, but for the one that comes before there is an owner', () => {
    const bodies = ['index', 'buying'].map((name) => readFileSync(`src/contract/bodies/${name}.ts`, 'utf8'))
    const said = [...bodies.join().matchAll(/^ {2}'((?:POST|PATCH|DELETE) [^']+)':/gm)]
    // What takes a file as it is has no body to describe.
    const changing = CALLS.filter(([name, { method, file }]) => method !== 'GET' && !file && name !== 'POST /setup')
    expect(said.map((m) => m[1]).sort()).toEqual(changing.map(([name]) => name).sort())
  })

  test('stands in OpenAPI: each call with its status, its answer, and its own name where it changes something', () => {
    const paths = openApi().paths as Record<string, Record<string, { responses: object; operationId?: string }>>
    const named: string[] = []
    for (const [name, { method, path, status, command }] of CALLS) {
      const described = paths[path]![method.toLowerCase()]!
      const answer = Object.entries(described.responses).find(([s]) => s === String(status ?? 200))
      expect(answer?.[1].content['application/json'].schema, name).toHaveProperty('type')
      if (command) named.push(described.operationId!)
    }
    expect(new Set(named).size).toBe(named.length)
  })
})

describe('without signing in', () => {
  test.each(CALLS)('%s answers 401 and does nothing', async (_, operation) => {
    const answers = await Promise.all([
      send(operation, {}),
      send(operation, { authorization: 'Bearer till_made_up' }),
      send(operation, { cookie: 'till_session=made-up', origin: till.base }),
    ])
    expect(answers.map((a) => a.status)).toEqual([401, 401, 401])
    for (const answer of answers) expect(((await answer.json()) as { type: string }).type).toMatch(/sign-in$/)
  })
})

/** Something that no field takes: neither text, nor a figure, nor named parts, nor a list of any of these. */
const NONSENSE = [[[]]]

/** The fields a body may have that do not come from the path, each with what makes it that alternative of the body where there are several. */
const fieldsOf = ({ body, bodyAs, fromPath = {} }: Operation): readonly (readonly [field: string, beside: Json])[] => {
  if (!body) return []
  const whole = jsonOf(body)
  const own = bodyAs ? (whole.properties as Record<string, Json>)[bodyAs]! : whole
  const alternatives = (own.anyOf ?? own.oneOf ?? [own]) as readonly Json[]
  return alternatives.flatMap(({ properties = {} }) => {
    const named = Object.entries(properties as Record<string, Json>)
    const beside = Object.fromEntries(named.flatMap(([name, json]) => ('const' in json ? [[name, json.const]] : [])))
    return named.flatMap(([name]) => (name in fromPath ? [] : [[name, beside] as const]))
  })
}

const FIELDS = OPERATIONS.flatMap((operation) =>
  fieldsOf(operation).map(([field, beside]) => [nameOf(operation), field, operation, beside] as const),
)

describe('a field that is nonsense', () => {
  test.each(FIELDS)('%s refuses “%s” by its name', async (_, field, operation, beside) => {
    const answer = await send(operation, { authorization: `Bearer ${TOKEN}` }, { ...beside, [field]: NONSENSE })
    const said = (await answer.json()) as { errors?: { path: string; message: string }[] }
    expect(answer.status).toBe(422)
    const own = said.errors?.find((e) => e.path === field || e.path.startsWith(`${field}.`))
    expect(own, JSON.stringify(said)).toBeDefined()
    // A sentence, not the schema's own words.
    expect(own!.message).toMatch(/^[A-Z].*\.$/)
  })
})
