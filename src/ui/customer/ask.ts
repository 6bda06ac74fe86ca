'use client'
import { request, type Sent } from '../http'
import { useOnce } from '../useOnce'

const UNANSWERED = 'No connection. What you typed is still here; please try again.'

/** Calls what customers may call, from their own pages. */
export const ask = <T>(method: 'GET' | 'POST', path: string, body?: unknown, key?: string): Promise<Sent<T>> =>
  request<T>(path, { method, body, key, unanswered: UNANSWERED })

/** Asks once: a second press does nothing, and a retry carries the same key. */
export const useAsk = () => {
  const { once, busy, refused } = useOnce()
  const post = <T>(path: string, body: unknown): Promise<T | null> =>
    once<T>(null, (key) => ask<T>('POST', path, body, key))
  return { post, get: <T>(path: string) => ask<T>('GET', path), busy, refused }
}
