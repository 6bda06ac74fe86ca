import fc from 'fast-check'
import { describe, test } from 'vitest'
import { OPERATIONS } from '@/api/operations'
import { jsonOf, sentTo } from '../shapes'

const TAKEN = OPERATIONS.flatMap(({ method, path, body, query }) =>
  [body, query].flatMap((schema, i) =>
    schema ? [[`${i === 0 ? 'body' : 'query'} of ${method} ${path}`, schema] as const] : [],
  ),
)

describe('law: what is sent is read or refused, whatever it is', () => {
  test.each(TAKEN)('%s', (_, schema) => {
    // A check of several fields runs beside those of each: it must bear what a field refused.
    fc.assert(
      fc.property(sentTo(jsonOf(schema)), (sent) => void schema.safeParse(sent)),
      { numRuns: 150, seed: 20_261_129 },
    )
  })
})
