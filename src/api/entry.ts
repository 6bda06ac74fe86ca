import { database } from '@/data/connect'
import { noteLetIn, wasLetIn } from '@/services/access/letIn'
import { isOurBrowser } from '@/services/access/ourBrowser'
import { signedIn } from '@/services/access/session'
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

/** Kept by a browser in which the owner has signed in, for as long as browsers keep anything. */
export const BROWSER_COOKIE = 'till_browser'
const BROWSER_DAYS = 400

/** What an answer says to open a session in the browser, which is known from then on; or to end it where the token is empty. */
export const sessionHeaders = (request: Pick<Asked, 'headers'>, token: string, days: number, sign?: string | null) => {
  const cookie = (name: string, value: string, lasts: number): [string, string] => [
    'set-cookie',
    makeCookie(request, { name, value, seconds: lasts * 86_400, sameSite: 'Strict' }),
  ]
  return {
    headers: [cookie(SESSION_COOKIE, token, days), ...(sign ? [cookie(BROWSER_COOKIE, sign, BROWSER_DAYS)] : [])],
  }
}

/** Cookies travel with requests from anywhere; a change must come from our own pages. */
export const isSameOrigin = (request: Asked): boolean => {
  const origin = request.headers.get('origin')
  return origin !== null && URL.canParse(origin) && new URL(origin).host === request.headers.get('host')
}

export type Entry = 'yes' | 'no' | 'foreign' | 'reading-only'

/** The bearer token of a request, however the word is written. */
export const bearerOf = (request: Asked): string | undefined =>
  /^Bearer +(\S+) *$/i.exec(request.headers.get('authorization') ?? '')?.[1]

/** Whether what a request shows opened the door lately, or is a sign that was looked at lately, without asking the database. */
export const isKnown = (request: Asked): boolean =>
  [bearerOf(request), cookieOf(request, SESSION_COOKIE), cookieOf(request, BROWSER_COOKIE)].some(
    (shown) => shown !== undefined && wasLetIn(shown),
  )

/** Whether a browser is one in which the owner has signed in. */
export const comesAgain = (request: Pick<Asked, 'headers'>): Promise<boolean> =>
  isOurBrowser(database(), cookieOf(request, BROWSER_COOKIE))

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

/** What a browser says of itself. */
export const agentOf = (request: Request): string => request.headers.get('user-agent') ?? ''
