'use client'
import type { Refused } from './send'

/** A message with the line it is about, where it is about one of several. */
const say = ({ path, message }: Refused['errors'][number]): string => {
  const [, n] = /^lines\.(\d+)/.exec(path) ?? []
  return n === undefined ? message : `Line ${Number(n) + 1}: ${message}`
}

interface Props {
  readonly refused: Refused | null
  /** Fields that say themselves what is wrong with them. */
  readonly besides?: readonly string[]
}

/** Why something was not done, in a sentence, near where it was asked. */
export const Refusal = ({ refused, besides = [] }: Props) => {
  if (!refused) return null
  const errors = refused.errors.filter((e) => !besides.includes(e.path))
  return errors.length === 0 && refused.errors.length > 0 ? null : (
    <p role="alert" className="notice notice-bad my-2">
      {errors.length > 0 ? [...new Set(errors.map(say))].join(' ') : refused.detail}
    </p>
  )
}

export const messageFor = (refused: Refused | null, path: string): string | undefined =>
  refused?.errors.find((e) => e.path === path)?.message
