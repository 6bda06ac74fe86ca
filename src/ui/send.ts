'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useRef, useState } from 'react'
import { toast } from 'sonner'
import type { AnswerTo, BodyTo, Method } from '@/contract/calls'

export interface Refused {
  readonly detail: string
  readonly errors: readonly { readonly path: string; readonly message: string }[]
}
export type Sent<T> = { readonly ok: true; readonly value: T } | ({ readonly ok: false } & Refused)

/** A key nobody else makes, for a command that must not happen twice. */
export const newKey = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('')

/** Calls the HTTP interface from our own pages. */
export const call = async <M extends Method, P extends string>(
  method: M,
  path: P,
  body?: BodyTo<M, P>,
  key?: string,
): Promise<Sent<AnswerTo<M, P>>> => {
  try {
    const response = await fetch(`/api/v1${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(key ? { 'idempotency-key': key } : {}),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
    const answer = (await response.json()) as AnswerTo<M, P> & {
      type?: string
      detail?: string
      errors?: Refused['errors']
    }
    if (response.ok) return { ok: true, value: answer }
    // The session is gone: leave the page for good, whatever it still holds. A passphrase typed wrong is no reason to.
    if (response.status === 401 && !answer.type?.endsWith(':wrong-passphrase'))
      // eslint-disable-next-line @next/next/no-location-assign-relative-destination
      location.assign(`/sign-in?to=${encodeURIComponent(location.pathname)}`)
    return { ok: false, detail: answer.detail ?? 'That did not work.', errors: answer.errors ?? [] }
  } catch {
    return {
      ok: false,
      detail: 'Iron Till does not answer. What you typed is still here; try again in a moment.',
      errors: [],
    }
  }
}

/** The second half of a double click comes within this, in milliseconds. */
const DOUBLE_CLICK = 500

/**
 * Sends a command once: a second click does nothing while it is on its way, nor right after it, nor while the next page is
 * opening; and a retry after a lost answer carries the same key, so it gets the first one's result.
 */
export const useSend = () => {
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState<Refused | null>(null)
  const key = useRef<string | null>(null)
  const sending = useRef(false)
  const done = useRef<{ readonly asked: string; readonly at: number } | null>(null)
  const send = useCallback(
    async <M extends Method, P extends string>(
      method: M,
      path: P,
      body: BodyTo<M, P>,
      then: { say?: (value: AnswerTo<M, P>) => string; go?: (value: AnswerTo<M, P>) => string | null } = {},
    ): Promise<AnswerTo<M, P> | null> => {
      const asked = `${method} ${path} ${JSON.stringify(body)}`
      const again = done.current?.asked === asked && performance.now() - done.current.at < DOUBLE_CLICK
      if (sending.current || again) return null
      sending.current = true
      setBusy(true)
      key.current ??= newKey()
      const sent = await call(method, path, body, key.current)
      const to = sent.ok ? then.go?.(sent.value) : null
      // On the way to another page nothing more is sent from this one.
      if (to) setTimeout(() => (sending.current = false), 4 * DOUBLE_CLICK)
      else sending.current = false
      setBusy(false)
      if (!sent.ok) {
        // Only an answer that never came is retried with its key; a refusal saved nothing, and the next try is a new command.
        if (!sent.detail.startsWith('Iron Till does not answer')) key.current = null
        setRefused({ detail: sent.detail, errors: sent.errors })
        return null
      }
      key.current = null
      done.current = { asked, at: performance.now() }
      setRefused(null)
      if (then.say) toast(then.say(sent.value))
      if (to) router.push(to)
      router.refresh()
      return sent.value
    },
    [router],
  )
  return { send, busy, refused, setRefused }
}
