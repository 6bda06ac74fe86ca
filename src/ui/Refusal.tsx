'use client'
import type { Refused } from './send'

/** A message with the line it is about, where it is about one of several. */
const say = ({ path, message }: Refused['errors'][number]): string => {
  const [, n] = /^lines\.(\d+)/.exec(path) ?? []
  return n === undefined ? message : `Line ${Number(n) + 1}: ${message}`
}

/** Why something was not done, in a sentence, near where it was asked. */
export const Refusal = ({ refused }: { readonly refused: Refused | null }) =>
  refused && (
    <p role="alert" className="notice notice-bad my-2">
      {refused.errors.length > 0 ? [...new Set(refused.errors.map(say))].join(' ') : refused.detail}
    </p>
  )

export const messageFor = (refused: Refused | null, path: string): string | undefined =>
  refused?.errors.find((e) => e.path === path)?.message
