'use client'
import { useRouter } from 'next/navigation'
import { useCallback } from 'react'
import { toast } from 'sonner'
import type { AnswerTo, BodyTo, Method } from '@/contract/calls'
import { request, UNANSWERED, type Sent } from './http'
import { useOnce } from './useOnce'

export { newKey, type Refused, type Sent } from './http'

/** Calls the HTTP interface from our own pages. */
export const call = async <M extends Method, P extends string>(
  method: M,
  path: P,
  body?: BodyTo<M, P>,
  key?: string,
): Promise<Sent<AnswerTo<M, P>>> => {
  const sent = await request<AnswerTo<M, P>>(`/api/v1${path}`, { method, body, key, unanswered: UNANSWERED })
  // The session is gone: leave the page for good, whatever it still holds. A passphrase typed wrong is no reason to.
  if (!sent.ok && sent.status === 401 && !sent.type?.endsWith(':wrong-passphrase'))
    // eslint-disable-next-line @next/next/no-location-assign-relative-destination
    location.assign(`/sign-in?to=${encodeURIComponent(location.pathname)}`)
  return sent
}

export interface Then<T> {
  readonly say?: (value: T) => string
  readonly go?: (value: T) => string | null
}

/** Sends a command once, says what came of it, and goes where that leads. */
export const useSend = () => {
  const router = useRouter()
  const { once, ...state } = useOnce()
  const send = useCallback(
    async <M extends Method, P extends string>(
      method: M,
      path: P,
      body: BodyTo<M, P>,
      then: Then<AnswerTo<M, P>> = {},
    ): Promise<AnswerTo<M, P> | null> => {
      const value = await once(
        // Changing something to what it is already harms nothing, and may be part of doing more.
        method === 'POST' ? `${path} ${JSON.stringify(body)}` : null,
        (key) => call(method, path, body, key),
        (answer) => Boolean(then.go?.(answer)),
      )
      if (value === null) return null
      if (then.say) toast(then.say(value))
      const to = then.go?.(value)
      if (to) router.push(to)
      router.refresh()
      return value
    },
    [once, router],
  )
  return { send, ...state }
}
