'use client'
import { useCallback, useRef, useState } from 'react'
import { newKey, type Refused, type Sent } from './http'

/** The second half of a double click comes within this, in milliseconds. */
const DOUBLE_CLICK = 500
/** So long a command that nobody answered is the same command when it is sent again, in milliseconds. */
const SAME_FOR = 5 * 60_000

/**
 * The keys of what is on its way or was never answered, by what was asked: whoever leaves its page meanwhile, comes back and sends it once
 * more may be told that it was done.
 */
const unanswered = new Map<string, { readonly key: string; readonly at: number }>()

/** It was answered, whatever was asked under its key before. */
const answered = (key: string): void => {
  for (const [asked, was] of unanswered) if (was.key === key) unanswered.delete(asked)
}

const keyOf = (asked: string | null): string => {
  for (const [was, { at }] of unanswered) if (performance.now() - at > SAME_FOR) unanswered.delete(was)
  return (asked === null ? undefined : unanswered.get(asked)?.key) ?? newKey()
}

/**
 * Sends a command once: a second click does nothing while it is on its way, nor right after it, nor while the next page is
 * opening; and a retry after a lost answer carries the same key, so it gets the first one's result.
 */
export const useOnce = () => {
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState<Refused | null>(null)
  const key = useRef<string | null>(null)
  const sending = useRef(false)
  const last = useRef<{ readonly asked: string; readonly at: number } | null>(null)
  const once = useCallback(
    async <T>(
      /** What is asked, where the same again at once can only be a double click; null where it may well be meant. */
      asked: string | null,
      send: (key: string) => Promise<Sent<T>>,
      leadsAway: (value: T) => boolean = () => false,
    ): Promise<T | null> => {
      const again =
        asked !== null && last.current?.asked === asked && performance.now() - last.current.at < DOUBLE_CLICK
      if (sending.current || again) return null
      sending.current = true
      setBusy(true)
      key.current ??= keyOf(asked)
      if (asked !== null) unanswered.set(asked, { key: key.current, at: performance.now() })
      const sent = await send(key.current)
      if (sent.ok || !sent.unanswered) answered(key.current)
      setBusy(false)
      // On the way to another page nothing more is sent from this one.
      if (sent.ok && leadsAway(sent.value)) setTimeout(() => (sending.current = false), 4 * DOUBLE_CLICK)
      else sending.current = false
      if (!sent.ok) {
        // Only an answer that never came is retried with its key; a refusal saved nothing, and the next try is a new command.
        if (!sent.unanswered) key.current = null
        setRefused({ detail: sent.detail, errors: sent.errors })
        return null
      }
      key.current = null
      last.current = asked === null ? null : { asked, at: performance.now() }
      setRefused(null)
      return sent.value
    },
    [],
  )
  return { once, busy, refused, setRefused }
}
