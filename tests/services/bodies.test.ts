import fc from 'fast-check'
import { z } from 'zod'
import { describe, test } from 'vitest'
import { OPERATIONS } from '@/api/operations'

/** Figures and days as they are written, rightly and wrongly: too many digits, too large, of no kind. */
const WRITTEN = [
  '0',
  '1',
  '0.00',
  '12.50',
  '100',
  '100.01',
  '1234.56',
  '0.33333',
  '-1.00',
  '99999999999999.99',
  '1e9',
  '2026-03-01',
  '2026-02-30',
  '2199-12-31',
  '',
  ' ',
  'x',
  'word',
  '٣',
  'x'.repeat(600),
]
const OTHER = [null, -1, 0, 1.5, 2_147_483_648, true, [], {}, [[]], '', 'x']

type Json = Readonly<Record<string, unknown>>

/** What a schema takes as far as its shape says, in each of its alternatives; now and then something else. */
const sentTo = (schema: Json | boolean): fc.Arbitrary<unknown> =>
  fc.oneof({ weight: 40, arbitrary: inShape(schema) }, { weight: 1, arbitrary: fc.constantFrom<unknown>(...OTHER) })

const inShape = (schema: Json | boolean): fc.Arbitrary<unknown> => {
  if (typeof schema === 'boolean') return fc.constant(null)
  if ('const' in schema) return fc.constant(schema.const)
  if (Array.isArray(schema.enum)) return fc.constantFrom<unknown>(...(schema.enum as unknown[]))
  const either = (schema.anyOf ?? schema.oneOf) as Json[] | undefined
  if (either) return fc.oneof(...either.map(sentTo))
  if (Array.isArray(schema.allOf))
    return fc.tuple(...(schema.allOf as Json[]).map(inShape)).map((parts) => Object.assign({}, ...parts) as unknown)
  switch (schema.type) {
    case 'object': {
      const fields = Object.entries((schema.properties ?? {}) as Record<string, Json>)
      return fc.record(Object.fromEntries(fields.map(([name, inner]) => [name, sentTo(inner)])), {
        requiredKeys: (schema.required ?? []) as string[],
      })
    }
    case 'array':
      return fc.array(sentTo((schema.items ?? {}) as Json), { maxLength: 3 })
    case 'integer':
    case 'number':
      return fc.constantFrom(0, 1, 2, 3, 30, 366, -1, 2_147_483_647)
    case 'boolean':
      return fc.boolean()
    default:
      return fc.constantFrom(...WRITTEN)
  }
}

const TAKEN = OPERATIONS.flatMap(({ method, path, body, query }) =>
  [body, query].flatMap((schema, i) =>
    schema ? [[`${i === 0 ? 'body' : 'query'} of ${method} ${path}`, schema] as const] : [],
  ),
)

describe('law: what is sent is read or refused, whatever it is', () => {
  test.each(TAKEN)('%s', (_, schema) => {
    const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Json
    // A check of several fields runs beside those of each: it must bear what a field refused.
    fc.assert(
      fc.property(sentTo(json), (sent) => void schema.safeParse(sent)),
      { numRuns: 150, seed: 20_261_129 },
    )
  })
})
