import { database } from '@/data/connect'
import { noteLetIn, wasLetIn } from '@/services/access/letIn'
import { signedIn } from '@/services/access/signIn'
import { tokenOpens } from '@/services/access/tokens'
import type { Asked } from './asked'

/** Whether a request came over TLS, as whoever stands in front of us says. */
export const isSecure = (request: Pick<Asked, 'headers'>): boolean =>
  request.headers.get('x-forwarded-proto') === 'https'

/** The name a cookie has: behind TLS one that no other name or path can set. */
export const cookieName = (name: string, secure: boolean): string => (secure ? `__Host-${name}` : name)

export const SESSION_COOKIE = 'till_session'

/** The value of a cookie, under the name it has behind TLS or without. */
export const cookieOf = (request: Pick<Asked, 'headers'>, name: string): string | undefined => {
  const wanted = cookieName(name, isSecure(request))
  for (const part of (request.headers.get('cookie') ?? '').split(';')) {
    const [key, ...value] = part.trim().split('=')
    if (key === wanted) return value.join('=')
  }
  return undefined
}

/** A cookie that scripts cannot read. */
export const makeCookie = (
  request: Pick<Asked, 'headers'>,
  cookie: {
    readonly name: string
    readonly value: string
    readonly seconds: number
    readonly sameSite: 'Strict' | 'Lax'
  },
): string => {
  const secure = isSecure(request)
  return `${cookieName(cookie.name, secure)}=${cookie.value}; Path=/; HttpOnly; SameSite=${cookie.sameSite}; Max-Age=${cookie.seconds}${secure ? '; Secure' : ''}`
}

/** What an answer says to open a session in the browser, or to end it where the token is empty. */
export const sessionHeaders = (request: Pick<Asked, 'headers'>, token: string, seconds: number) => ({
  headers: { 'set-cookie': makeCookie(request, { name: SESSION_COOKIE, value: token, seconds, sameSite: 'Strict' }) },
})

/** Cookies travel with requests from anywhere; a change must come from our own pages. */
export const isSameOrigin = (request: Asked): boolean => {
  const origin = request.headers.get('origin')
  return origin !== null && URL.canParse(origin) && new URL(origin).host === request.headers.get('host')
}

export type Entry = 'yes' | 'no' | 'foreign' | 'reading-only'

/** The bearer token of a request, however the word is written. */
export const bearerOf = (request: Asked): string | undefined =>
  /^Bearer +(\S+) *$/i.exec(request.headers.get('authorization') ?? '')?.[1]

/** What a request shows of the owner's: a bearer token, or the session of a browser. */
const shownBy = (request: Asked): string | undefined => bearerOf(request) ?? cookieOf(request, SESSION_COOKIE)

/** Whether what a request shows opened the door lately, without asking the database. */
export const isKnown = (request: Asked): boolean => {
  const shown = shownBy(request)
  return shown !== undefined && wasLetIn(shown)
}

/** Whether a request may come in: a bearer token, or the owner's session from our own pages. */
export const mayEnter = async (request: Asked): Promise<Entry> => {
  const db = database()
  const reads = request.method === 'GET' || request.method === 'HEAD'
  const bearer = bearerOf(request)
  if (bearer !== undefined) {
    const opens = await tokenOpens(db, bearer)
    if (opens !== 'nothing') noteLetIn(bearer)
    return opens === 'nothing' ? 'no' : opens === 'everything' || reads ? 'yes' : 'reading-only'
  }
  if (!(await signedIn(db, cookieOf(request, SESSION_COOKIE)))) return 'no'
  return reads || isSameOrigin(request) ? 'yes' : 'foreign'
}
