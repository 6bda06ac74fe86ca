import fc from 'fast-check'
import { z } from 'zod'

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

/** A JSON schema, as far as it is read here. */
export type Json = Readonly<Record<string, unknown>>

/** What chance writes for a field, which its shape alone does not say. */
export interface Chance {
  readonly text: (name: string, schema: Json) => fc.Arbitrary<string>
  readonly number: (name: string) => fc.Arbitrary<number>
  /** How many of a thousand values are of no kind the field takes. */
  readonly spoiled: number
}
const ANYTHING: Chance = {
  text: () => fc.constantFrom(...WRITTEN),
  number: () => fc.constantFrom(0, 1, 2, 3, 30, 366, -1, 2_147_483_647),
  spoiled: 25,
}

/** What a call's schema takes, as JSON. */
export const jsonOf = (schema: z.ZodType): Json => z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' })

/** What a schema takes as far as its shape says, in each of its alternatives; now and then something else. */
export const sentTo = (schema: Json | boolean, chance = ANYTHING, name = ''): fc.Arbitrary<unknown> =>
  fc.oneof(
    { weight: 1000 - chance.spoiled, arbitrary: inShape(schema, chance, name) },
    { weight: chance.spoiled, arbitrary: fc.constantFrom<unknown>(...OTHER) },
  )

const inShape = (schema: Json | boolean, chance: Chance, name: string): fc.Arbitrary<unknown> => {
  if (typeof schema === 'boolean') return fc.constant(null)
  if ('const' in schema) return fc.constant(schema.const)
  if (Array.isArray(schema.enum)) return fc.constantFrom<unknown>(...(schema.enum as unknown[]))
  const either = (schema.anyOf ?? schema.oneOf) as Json[] | undefined
  if (either) return fc.oneof(...either.map((one) => sentTo(one, chance, name)))
  if (Array.isArray(schema.allOf))
    return fc
      .tuple(...(schema.allOf as Json[]).map((part) => inShape(part, chance, name)))
      .map((parts) => Object.assign({}, ...parts) as unknown)
  switch (schema.type) {
    case 'object': {
      const fields = Object.entries((schema.properties ?? {}) as Record<string, Json>)
      return fc.record(Object.fromEntries(fields.map(([field, inner]) => [field, sentTo(inner, chance, field)])), {
        requiredKeys: (schema.required ?? []) as string[],
      })
    }
    case 'array':
      return fc.array(sentTo((schema.items ?? {}) as Json, chance, name), { maxLength: 3 })
    case 'integer':
    case 'number':
      return chance.number(name)
    case 'boolean':
      return fc.boolean()
    default:
      return chance.text(name, schema)
  }
}
