import { vi } from 'vitest'

export interface Sent {
  readonly method: string
  readonly path: string
  readonly query: URLSearchParams
  readonly body: unknown
  readonly key: string | null
  /** Only asked what it would do. */
  readonly preview: boolean
}

type Answer = { readonly status: number; readonly body: unknown }
type Answers = Readonly<Record<string, Answer | ((sent: Sent) => Answer)>>

/**
 * Stands in for the HTTP interface: answers by method and path, and keeps what was sent; any other call finds nothing. `after`
 * says how many milliseconds an answer takes, or what it waits for.
 */
export const answerCalls = (answers: Answers, after?: (path: string) => number | Promise<void>): readonly Sent[] => {
  const sent: Sent[] = []
  vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
    const path = url.replace('/api/v1', '').split('?')[0] ?? ''
    const headers = new Headers(init.headers)
    const one: Sent = {
      method: init.method ?? 'GET',
      path,
      query: new URLSearchParams(url.split('?')[1]),
      body: typeof init.body === 'string' ? JSON.parse(init.body) : undefined,
      key: headers.get('idempotency-key'),
      preview: url.includes('preview=true'),
    }
    const known = answers[`${one.method} ${path}`]
    // A preview is answered only where a test says how: most are about what is done, not about what would be.
    if (one.preview && typeof known !== 'function') return Response.json({ detail: 'Not now.' }, { status: 409 })
    sent.push(one)
    const wait = after?.(path)
    await (typeof wait === 'number' ? new Promise((done) => setTimeout(done, wait)) : wait)
    const found = answers[`${one.method} ${path}`]
    const answer = typeof found === 'function' ? found(one) : found
    return Response.json(answer?.body ?? { type: 'urn:iron-till:not-found', detail: 'There is nothing here.' }, {
      status: answer?.status ?? 404,
    })
  })
  return sent
}

/** What answers wait for (`after`) until a test opens it: on a slow machine no number of milliseconds is enough. */
export const gate = (): { readonly opened: Promise<void>; readonly open: () => void } => {
  const opens: (() => void)[] = []
  return { opened: new Promise((done) => opens.push(done)), open: () => opens.forEach((open) => open()) }
}

/** As a call refuses: a sentence, and each field with its own. */
export const refuses = (...errors: readonly { readonly path: string; readonly message: string }[]): Answer => ({
  status: 422,
  body: { type: 'urn:iron-till:invalid', detail: errors.map((e) => e.message).join(' '), errors },
})
