import { PASSPHRASE, TOKEN } from './browser/till'

/** How many ask at a time. */
const HANDS = 4

export interface Asked {
  readonly method?: string
  readonly path: string
  readonly headers?: Readonly<Record<string, string>>
  readonly body?: unknown
}
export interface Answered {
  readonly status: number
  readonly type: string
  readonly text: string
}

/** A page that breaks while it is written has begun with a 200; one that leads elsewhere, or finds nothing, says so by a name of its own. */
const BROKEN = /data-dgst="(?!NEXT_)|:E\{\\?"digest\\?":\\?"(?!NEXT_)/

export const TOKEN_HEADERS = { authorization: `Bearer ${TOKEN}` }

/** One request to a server, and its answer; a page that broke on the way counts as broken. */
export const ask = async (port: number, { method = 'GET', path, headers, body }: Asked): Promise<Answered> => {
  const answer = await fetch(`http://127.0.0.1:${port}${path}`, {
    method,
    headers: { ...headers, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
    body: body === undefined ? undefined : JSON.stringify(body),
    redirect: 'manual',
  })
  const text = await answer.text()
  const type = answer.headers.get('content-type') ?? ''
  return { status: type.startsWith('text/') && BROKEN.test(text) ? 500 : answer.status, type, text }
}

/** Asks one thing after the other, four at a time. */
export const askAll = async <T>(all: Iterable<T>, one: (each: T) => Promise<void>): Promise<void> => {
  const left = all[Symbol.iterator]()
  const hand = async () => {
    for (let next = left.next(); !next.done; next = left.next()) await one(next.value)
  }
  await Promise.all(Array.from({ length: HANDS }, hand))
}

/** The cookie of the owner who has signed in. */
export const signIn = async (port: number): Promise<string> => {
  const origin = `http://127.0.0.1:${port}`
  const session = await fetch(`${origin}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  })
  return session.headers.get('set-cookie')!.split(';')[0]!
}
