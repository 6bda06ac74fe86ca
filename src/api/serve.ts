import { present } from '@/core/present'
import { database } from '@/data/connect'
import { businessDate } from '@/services/clock'
import { answering } from './answering'
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

const ROUTES: readonly Route[] = OPERATIONS.map((operation) => ({
  operation,
  pattern: new RegExp(`^${operation.path.replace(/\{(\w+)\}/g, '([^/]+)')}$`),
  names: [...operation.path.matchAll(/\{(\w+)\}/g)].map((m) => present(m[1])),
}))

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

const answerCall = async (request: Request): Promise<Response> => {
  const url = new URL(request.url)
  const path = decodeURI(url.pathname.replace(/^\/api\/v1/, '').replace(/\/$/, ''))
  const stopped = refuseEntry(await mayEnter(request))
  if (stopped) return stopped
  const there = ROUTES.map((route) => ({ route, match: route.pattern.exec(path) })).filter((r) => r.match)
  if (there.length === 0) return problem(404, 'no-such-call', `There is no ${path} here. See /docs/api.`)
  const chosen = there.find((r) => r.route.operation.method === request.method)
  if (!chosen) return problem(405, 'no-such-method', `${path} does not take ${request.method}. See /docs/api.`)
  const { file } = chosen.route.operation
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
  const answer = await chosen.route.operation.run({
    till: { db: database(), today: businessDate() },
    params: Object.fromEntries(chosen.route.names.map((name, i) => [name, present(present(chosen.match)[i + 1])])),
    query: Object.fromEntries(url.searchParams),
    body: body.value,
    key,
  })
  if (!answer.ok) return problemOf(answer.error)
  if (process.env.TILL_CHECK_ANSWERS)
    mustFit(chosen.route.operation, answer.value.body, url.searchParams.get('preview') === 'true')
  return Response.json(answer.value.body, {
    status: answer.value.status,
    headers: { 'cache-control': 'no-store' },
  })
}

/** Answers one call of the HTTP interface under `/api/v1`. */
export const serve = (request: Request): Promise<Response> =>
  answering(request, () => answerCall(request), { owner: true })
