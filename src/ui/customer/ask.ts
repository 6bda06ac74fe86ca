'use client'
import { useRef, useState } from 'react'
import { newKey, type Refused, type Sent } from '../send'

/** Calls what customers may call, from their own pages. */
export const ask = async <T>(method: 'GET' | 'POST', path: string, body?: unknown, key?: string): Promise<Sent<T>> => {
  try {
    const response = await fetch(path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(key ? { 'idempotency-key': key } : {}),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
    const answer = (await response.json()) as T & { detail?: string; errors?: Refused['errors'] }
    return response.ok
      ? { ok: true, value: answer }
      : { ok: false, detail: answer.detail ?? 'That did not work.', errors: answer.errors ?? [] }
  } catch {
    return {
      ok: false,
      detail: 'We cannot be reached just now. What you typed is still here; try again.',
      errors: [],
    }
  }
}

/** Asks once: a second press while it is on its way does nothing, and a retry carries the same key. */
export const useAsk = () => {
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState<Refused | null>(null)
  const key = useRef<string | null>(null)
  const sending = useRef(false)
  const post = async <T>(path: string, body: unknown): Promise<T | null> => {
    if (sending.current) return null
    sending.current = true
    setBusy(true)
    key.current ??= newKey()
    const sent = await ask<T>('POST', path, body, key.current)
    sending.current = false
    setBusy(false)
    if (sent.ok || !sent.detail.startsWith('We cannot be reached')) key.current = null
    setRefused(sent.ok ? null : sent)
    return sent.ok ? sent.value : null
  }
  return { post, get: <T>(path: string) => ask<T>('GET', path), busy, refused }
}
