import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { OPERATIONS } from '@/api/operations'
import { day } from '@/core/day'
import type { Command, Till } from '@/services/command'
import { takeReceipt } from '@/services/money/takeReceipt'
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

test('what cannot be read is refused before the database is asked anything, tried and done', async () => {
  const db = new Proxy({} as Till['db'], {
    get: () => {
      throw new Error('the database was asked')
    },
  })
  const till: Till = { db, today: day('2026-03-10') }
  const command = takeReceipt as Command<unknown, unknown>
  const unread = { method: 'cash', amount: 'much', for: 'account' }
  for (const said of [
    await command.run(till, unread),
    await command.answer(till, unread, 'a-key'),
    await command.preview(till, unread),
  ])
    expect(said).toMatchObject({ ok: false, error: { code: 'invalid', errors: [{ path: 'amount' }] } })
})
