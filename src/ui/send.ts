'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef, useTransition } from 'react'
import type { AnswerTo, BodyTo, Method } from '@/contract/calls'
import { newKey, request, UNANSWERED, type Sent } from './http'
import { useOnce } from './useOnce'
import { holdSent } from './keysAhead'
import { tell } from './tell'

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
  if (!sent.ok && sent.status === 401 && !/:wrong-(passphrase|code)$/.test(sent.type ?? ''))
    location.assign(`/sign-in?to=${encodeURIComponent(location.pathname)}`)
  return sent
}

/** The call that takes back what was just done, and what is said when it is. */
export interface WayBack {
  readonly method: Method
  readonly path: string
  readonly body: object
  readonly say: string
}

export interface Then<T> {
  readonly say?: (value: T) => string
  /** How it is taken back, offered for ten seconds beside what is said. */
  readonly undo?: (value: T) => WayBack | null
  readonly go?: (value: T) => string | null
  /** What closes with it, at the moment the page says what is true now: no one sees, or presses keys on, what was true before. */
  readonly done?: (value: T) => void
}

const UNDO_FOR = 10_000

/** Says what came of a command; what has a way back can be undone by one click for ten seconds. */
const sayDone = (says: string, back: WayBack | null, onBack: () => void): void => {
  if (back === null) return void tell(says)
  const undo = async () => {
    const sent = await request(`/api/v1${back.path}`, { ...back, key: newKey(), unanswered: UNANSWERED })
    tell(sent.ok ? back.say : sent.detail)
    onBack()
  }
  tell(says, { duration: UNDO_FOR, action: { label: 'Undo', onClick: () => void undo() } })
}

/**
 * What was sent closes what it was sent from, or leads away: until it has, nothing more is sent from there, and keys are held for what
 * comes. It ends when the page has settled, when it was refused, or when what it was sent from is gone.
 */
const useLeaving = (settling: boolean) => {
  const leaving = useRef<{ over: boolean } | null>(null)
  const end = useCallback(() => {
    if (leaving.current) leaving.current.over = true
    leaving.current = null
  }, [])
  useEffect(() => {
    if (!settling) end()
  }, [settling, end])
  useEffect(() => end, [end])
  const begin = useCallback(() => {
    const mine = { over: false }
    leaving.current = mine
    holdSent(() => mine.over)
  }, [])
  const isLeaving = useCallback(() => leaving.current !== null, [])
  return { begin, end, isLeaving }
}

/** Sends a command once, says what came of it, and goes where that leads. */
export const useSend = () => {
  const router = useRouter()
  const { once, ...state } = useOnce()
  const [settling, settle] = useTransition()
  const { begin, end, isLeaving } = useLeaving(settling)
  const isHere = useRef(false)
  useEffect(() => {
    isHere.current = true
    return () => void (isHere.current = false)
  }, [])
  const send = useCallback(
    async <M extends Method, P extends string>(
      method: M,
      path: P,
      body: BodyTo<M, P>,
      then: Then<AnswerTo<M, P>> = {},
    ): Promise<AnswerTo<M, P> | null> => {
      if (isLeaving()) return null
      if (then.done ?? then.go) begin()
      const value = await once<AnswerTo<M, P>>(
        // Changing something to what it is already harms nothing, and may be part of doing more.
        method === 'POST' ? `${path} ${JSON.stringify(body)}` : null,
        (key) => call<M, P>(method, path, body, key),
        (answer) => Boolean(then.go?.(answer)),
      )
      if (value === null) {
        end()
        return null
      }
      if (then.say) sayDone(then.say(value), then.undo?.(value) ?? null, () => router.refresh())
      // Whoever has gone elsewhere meanwhile is not called away from there.
      const to = isHere.current ? then.go?.(value) : null
      settle(() => {
        then.done?.(value)
        if (to) router.push(to)
        router.refresh()
      })
      return value
    },
    [once, router, begin, end, isLeaving],
  )
  return { send, ...state }
}

/** The same for a button that stands alone, with no room beside it: why it was refused is told where all that is done is. */
export const useSendAlone = () => {
  const { send, busy, refused } = useSend()
  useEffect(() => {
    if (refused) tell(refused.errors.length > 0 ? refused.errors.map((e) => e.message).join(' ') : refused.detail)
  }, [refused])
  return { send, busy }
}
