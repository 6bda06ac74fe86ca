import type { z } from 'zod'
import { house } from '@/model/access/house'
import { sessionInput } from '@/contract/inputs/access/entry'
import { answering } from '@/api/answering'
import { readBody } from '@/api/body'
import { agentOf, comesAgain, cookieOf, isSameOrigin, SESSION_COOKIE, sessionHeaders } from '@/api/entry'
import { problem, problemOf } from '@/api/problem'
import { makeBrowserSign } from '@/services/access/ourBrowser'
import { SESSION_DAYS, signedIn, signOut } from '@/services/access/session'
import { proveAgain, signIn } from '@/services/access/signIn'

export const dynamic = 'force-dynamic'

const shownIn = async (request: Request): Promise<z.infer<typeof sessionInput> | Response> => {
  if (!isSameOrigin(request)) return problem(403, 'foreign', 'Sign in from Iron Till’s own page.')
  const body = await readBody(request)
  if (body instanceof Response) return body
  const read = sessionInput.safeParse(body.value)
  if (read.success) return read.data
  const [path, message] =
    read.error.issues[0]?.path[0] === 'code'
      ? ['code', 'At most 40 characters.']
      : ['passphrase', 'Type the passphrase.']
  return problem(422, 'invalid', message, [{ path, message }])
}

/** The owner signs in: a session cookie that scripts cannot read and other sites cannot send. */
export const POST = (request: Request): Promise<Response> =>
  answering(request, async () => {
    const shown = await shownIn(request)
    if (shown instanceof Response) return shown
    const db = house()
    const session = await signIn(db, shown, (await comesAgain(request)) ? 'house' : 'stranger', agentOf(request))
    return session.ok
      ? Response.json({}, sessionHeaders(request, session.value.token, SESSION_DAYS, await makeBrowserSign(db)))
      : problemOf(session.error)
  })

/** The owner, who is signed in, types the passphrase again for what asks for it. */
export const PUT = (request: Request): Promise<Response> =>
  answering(request, async () => {
    const token = cookieOf(request, SESSION_COOKIE)
    if (token === undefined || !(await signedIn(house(), token))) return problem(401, 'sign-in', 'Sign in first.')
    const shown = await shownIn(request)
    if (shown instanceof Response) return shown
    const proved = await proveAgain(house(), token, shown.passphrase)
    return proved.ok ? Response.json({}) : problemOf(proved.error)
  })

/** Signs out: the session ends here, whoever holds its cookie. */
export const DELETE = (request: Request): Promise<Response> =>
  answering(request, async () => {
    if (!isSameOrigin(request)) return problem(403, 'foreign', 'Sign out from Iron Till’s own page.')
    const token = cookieOf(request, SESSION_COOKIE)
    if (token) await signOut(house(), token)
    return Response.json({}, sessionHeaders(request, '', 0))
  })
