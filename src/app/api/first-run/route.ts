import { house } from '@/model/access/house'
import { createHash, timingSafeEqual } from 'node:crypto'
import { answering } from '@/api/answering'
import { readBody } from '@/api/body'
import { isSameOrigin, sessionHeaders } from '@/api/entry'
import { problem, problemOf } from '@/api/problem'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { openSession, SESSION_DAYS } from '@/services/access/signIn'
import { businessDate } from '@/services/clock'

export const dynamic = 'force-dynamic'

const digest = (text: string): Buffer => createHash('sha256').update(text).digest()

/** Whether a code is the one the start printed. There is none when nothing was printed. */
const isTheCode = (given: unknown): boolean => {
  const code = process.env.TILL_SETUP_CODE ?? ''
  return code !== '' && typeof given === 'string' && timingSafeEqual(digest(given.trim()), digest(code))
}

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
    if (request.headers.get('x-till-from') !== 'here' && !isTheCode(code))
      return problem(403, 'set-up-code', 'From another machine this takes the code that the start printed.', [
        { path: 'code', message: 'Type the code that the start printed.' },
      ])
    const db = house()
    const made = await setUpBusiness({ db, today: businessDate() }, input)
    if (!made.ok) return problemOf(made.error)
    // Who just chose the passphrase need not type it again.
    const session = await openSession(db)
    return Response.json(made.value, { status: 201, ...sessionHeaders(request, session.token, SESSION_DAYS * 86_400) })
  })
