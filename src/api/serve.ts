import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
import { database } from '@/data/connect'
import { businessToday } from '@/services/clock'
import { answering } from './answering'
import type { Asked } from './asked'
import { BODY, readBody, readFileBody } from './body'
import { mayEnter, type Entry } from './entry'
import { mustFit } from './fit'
import type { Operation } from './operation'
import { OPERATIONS } from './operations'
import { problem, problemOf } from './problem'

interface Route {
  readonly operation: Operation
  readonly pattern: RegExp
  readonly names: readonly string[]
}

const firstPart = (path: string): string => path.split('/', 2)[1] ?? ''

const routeOf = (operation: Operation): Route => ({
  operation,
  pattern: new RegExp(`^${operation.path.replace(/\{(\w+)\}/g, '([^/]+)')}$`),
  names: [...operation.path.matchAll(/\{(\w+)\}/g)].map((m) => present(m[1])),
})
/** By the first part of their path, which is a word in all of them. */
const ROUTES = rowsBy(OPERATIONS.map(routeOf), ({ operation }) => firstPart(operation.path))

/** Why somebody may not come in; null where they may. */
export const refuseEntry = (entry: Entry): Response | null => {
  switch (entry) {
    case 'yes':
      return null
    case 'no':
      return problem(401, 'sign-in', 'Send a valid token as Authorization: Bearer …, made in Settings.')
    case 'foreign':
      return problem(403, 'foreign', 'This change did not come from Iron Till’s own pages.')
    case 'reading-only':
      return problem(403, 'reading-only', 'This token may only read. Make another one in Settings for changes.')
  }
}

const keyProblem = (key: string | null): Response | null =>
  key !== null && !/^[\x20-\x7e]{1,200}$/.test(key)
    ? problem(400, 'bad-key', 'An Idempotency-Key has 1 to 200 characters, letters and figures.')
    : null

interface Wanted {
  readonly path: string
  readonly query: URLSearchParams
  /** Whether any call has this path, and the one that takes the method. */
  readonly there: boolean
  readonly chosen?: { readonly operation: Operation; readonly params: Readonly<Record<string, string>> }
}

/** What is asked for, before it is known whether whoever asks may. */
const wantedOf = ({ url, method }: Asked): Wanted => {
  const { pathname, searchParams: query } = new URL(url)
  const path = decodeURI(pathname.replace(/^\/api\/v1/, '').replace(/\/$/, ''))
  const there = (ROUTES.get(firstPart(path)) ?? []).flatMap((route) => {
    const match = route.pattern.exec(path)
    return match ? [{ route, match }] : []
  })
  const one = there.find((r) => r.route.operation.method === method)
  return {
    path,
    query,
    there: there.length > 0,
    chosen: one && {
      operation: one.route.operation,
      params: Object.fromEntries(one.route.names.map((name, i) => [name, present(one.match[i + 1])])),
    },
  }
}

const answerCall = async (request: Asked, { path, query, there, chosen }: Wanted): Promise<Response> => {
  const stopped = refuseEntry(await mayEnter(request))
  if (stopped) return stopped
  if (!there) return problem(404, 'no-such-call', `There is no ${path} here. See /docs/api.`)
  if (!chosen) return problem(405, 'no-such-method', `${path} does not take ${request.method}. See /docs/api.`)
  const { operation, params } = chosen
  const { file } = operation
  const body =
    request.method === 'GET'
      ? { value: undefined }
      : file
        ? await readFileBody(request, file)
        : await readBody(request, BODY.owner)
  if (body instanceof Response) return body
  const key = request.headers.get('idempotency-key')
  const badKey = keyProblem(key)
  if (badKey) return badKey
  const answer = await operation.run({
    till: { db: database(), today: await businessToday(database()) },
    params,
    query: Object.fromEntries(query),
    body: body.value,
    key,
  })
  if (!answer.ok) return problemOf(answer.error)
  if (process.env.TILL_CHECK_ANSWERS) mustFit(operation, answer.value.body, query.get('preview') === 'true')
  return Response.json(answer.value.body, {
    status: answer.value.status,
    headers: { 'cache-control': 'no-store' },
  })
}

/** Answers one call of the HTTP interface under `/api/v1`. */
export const serve = (request: Asked): Promise<Response> => {
  const wanted = wantedOf(request)
  return answering(request, () => answerCall(request, wanted), { owner: true, within: wanted.chosen?.operation.within })
}
