import { pino } from 'pino'
import { database } from '@/data/connect'
import { signedIn } from '@/services/access/signIn'
import { tokenOpens } from '@/services/access/tokens'
import { businessDate } from '@/services/clock'
import type { Operation } from './operation'
import { OPERATIONS } from './operations'
import { problem, problemOf } from './problem'

export const SESSION_COOKIE = 'till_session'
/** A file of 4 MB in base64, and a little more. */
const LARGEST_BODY = 6_200_000
const log = pino({ level: process.env.TILL_LOG ?? 'warn' })

interface Route {
  readonly operation: Operation
  readonly pattern: RegExp
  readonly names: readonly string[]
}

const ROUTES: readonly Route[] = OPERATIONS.map((operation) => ({
  operation,
  pattern: new RegExp(`^${operation.path.replace(/\{(\w+)\}/g, '([^/]+)')}$`),
  names: [...operation.path.matchAll(/\{(\w+)\}/g)].map((m) => m[1]!),
}))

/** Whether a request may come in: a bearer token, or the owner's session from our own pages. */
export const mayEnter = async (request: Request): Promise<'yes' | 'no' | 'foreign'> => {
  const db = database()
  const bearer = /^Bearer (\S+)$/.exec(request.headers.get('authorization') ?? '')
  if (bearer) return (await tokenOpens(db, bearer[1]!)) ? 'yes' : 'no'
  const cookie = new RegExp(`(?:^|;\\s*)${SESSION_COOKIE}=([^;]+)`).exec(request.headers.get('cookie') ?? '')
  if (!(await signedIn(db, cookie?.[1]))) return 'no'
  return request.method === 'GET' || isSameOrigin(request) ? 'yes' : 'foreign'
}

/** Cookies travel with requests from anywhere; a change must come from our own pages. */
export const isSameOrigin = (request: Request): boolean => {
  const origin = request.headers.get('origin')
  return origin !== null && new URL(origin).host === request.headers.get('host')
}

export const readBody = async (request: Request): Promise<{ value: unknown } | Response> => {
  const text = await request.text()
  if (text.length > LARGEST_BODY)
    return problem(413, 'too-large', 'The request is larger than 6 MB. Send it in parts.')
  if (text.trim() === '') return { value: undefined }
  if (!/\bjson\b/.test(request.headers.get('content-type') ?? ''))
    return problem(415, 'not-json', 'Send JSON, with content-type application/json.')
  try {
    return { value: JSON.parse(text) }
  } catch {
    return problem(400, 'broken-json', 'The body is not valid JSON. Nothing was saved.')
  }
}

/** Answers one call of the HTTP interface under `/api/v1`. */
export const serve = async (request: Request): Promise<Response> => {
  try {
    const url = new URL(request.url)
    const path = decodeURI(url.pathname.replace(/^\/api\/v1/, '').replace(/\/$/, ''))
    const entry = await mayEnter(request)
    if (entry === 'no')
      return problem(401, 'sign-in', 'Send a valid token as Authorization: Bearer …, made in Settings.')
    if (entry === 'foreign')
      return problem(403, 'foreign', 'This change did not come from Iron Till’s own pages.')
    const there = ROUTES.map((route) => ({ route, match: route.pattern.exec(path) })).filter((r) => r.match)
    if (there.length === 0) return problem(404, 'no-such-call', `There is no ${path} here. See /docs/api.`)
    const chosen = there.find((r) => r.route.operation.method === request.method)
    if (!chosen)
      return problem(405, 'no-such-method', `${path} does not take ${request.method}. See /docs/api.`)
    const body = request.method === 'GET' ? { value: undefined } : await readBody(request)
    if (body instanceof Response) return body
    const key = request.headers.get('idempotency-key')
    if (key !== null && (key.length === 0 || key.length > 200))
      return problem(400, 'bad-key', 'An Idempotency-Key has 1 to 200 characters.')
    const answer = await chosen.route.operation.run({
      till: { db: database(), today: businessDate() },
      params: Object.fromEntries(chosen.route.names.map((name, i) => [name, chosen.match![i + 1]!])),
      query: Object.fromEntries(url.searchParams),
      body: body.value,
      key,
    })
    if (!answer.ok) return problemOf(answer.error)
    return Response.json(answer.value.body, {
      status: answer.value.status,
      headers: { 'cache-control': 'no-store' },
    })
  } catch (broken) {
    log.error(broken)
    return problem(
      500,
      'broken',
      'That did not work, and nothing was saved. Try again; if it stays, look at the log.',
    )
  }
}
