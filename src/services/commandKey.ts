import { createHash } from 'node:crypto'
import { refuse } from '@/contract/refuse'
import type { Transaction } from '@/data/connect'
import { findCommand, takeCommandKey } from '@/data/queries/access'

const sortedJson = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(sortedJson)
    : value && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, v]) => [k, sortedJson(v)]),
        )
      : value

/** What a command was asked, in short: the same for the same input, in whatever order its keys stand. */
export const fingerprint = (name: string, input: unknown): string =>
  createHash('sha256')
    .update(`${name}\n${JSON.stringify(sortedJson(input))}`)
    .digest('hex')

/** Takes a key for what is asked; what was answered before, where it is taken already. Another question under it is refused. */
export const takeKey = async (tx: Transaction, key: string, print: string): Promise<{ answer: unknown } | null> => {
  if (await takeCommandKey(tx, key, print)) return null
  const before = await findCommand(tx, key)
  if (!before || before.fingerprint !== print) refuse({ code: 'key-reused' })
  return before
}
