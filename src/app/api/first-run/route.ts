import { isZone } from '@/core/day'
import { house, readBusiness } from '@/model/access/house'
import { answering } from '@/api/answering'
import { readBody } from '@/api/body'
import { agentOf, isSameOrigin, sessionHeaders } from '@/api/entry'
import { isNearOrKnowsTheCode } from '@/api/firstRun'
import { problem, problemOf } from '@/api/problem'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { makeBrowserSign } from '@/services/access/ourBrowser'
import { openSession, SESSION_DAYS } from '@/services/access/session'
import { restoreSaid } from '@/services/backup/restoreHere'
import { businessDate } from '@/services/clock'

export const dynamic = 'force-dynamic'

/** Whether there is a business yet, and why a restoring before came to nothing: for the first page, while it waits. */
export const GET = (request: Request): Promise<Response> =>
  answering(request, async () => {
    const there = (await readBusiness()) !== null
    return Response.json({ there, said: there ? '' : restoreSaid() }, { headers: { 'cache-control': 'no-store' } })
  })

/**
 * The first-run page sets the business up. There is nobody to sign in yet; it works once, from our own page, for whoever
 * sits at this machine or knows the code that the start printed.
 */
export const POST = (request: Request): Promise<Response> =>
  answering(request, async () => {
    if (!isSameOrigin(request)) return problem(403, 'foreign', 'Set the business up from Iron Till’s own page.')
    const body = await readBody(request)
    if (body instanceof Response) return body
    const { code, ...input } = (typeof body.value === 'object' && body.value !== null ? body.value : {}) as Record<
      string,
      unknown
    >
    if (!isNearOrKnowsTheCode(request, code))
      return problem(403, 'set-up-code', 'From another machine this takes the code that the start printed.', [
        { path: 'code', message: 'Type the code that the start printed.' },
      ])
    const db = house()
    // Nobody typed it: a browser may know a zone that this machine does not.
    const timeZone = isZone(String(input.timeZone)) ? input.timeZone : undefined
    const made = await setUpBusiness({ db, today: businessDate() }, { ...input, timeZone })
    if (!made.ok) return problemOf(made.error)
    // Who just chose the passphrase need not type it again.
    const session = await openSession(db, agentOf(request))
    const headers = sessionHeaders(request, session.token, SESSION_DAYS, await makeBrowserSign(db))
    return Response.json(made.value, { status: 201, ...headers })
  })
