import { z } from 'zod'
import { problem, problemOf } from '@/api/problem'
import { isSameOrigin, SESSION_COOKIE } from '@/api/serve'
import { database } from '@/data/connect'
import { SESSION_DAYS, signIn, signOut } from '@/services/access/signIn'

export const dynamic = 'force-dynamic'
const input = z.object({ passphrase: z.string().max(200) })

const cookie = (value: string, seconds: number, secure: boolean): string =>
  `${SESSION_COOKIE}=${value}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${seconds}${secure ? '; Secure' : ''}`
const isSecure = (request: Request): boolean => request.headers.get('x-forwarded-proto') === 'https'

/** The owner signs in: a session cookie that scripts cannot read and other sites cannot send. */
export const POST = async (request: Request): Promise<Response> => {
  if (!isSameOrigin(request)) return problem(403, 'foreign', 'Sign in from Iron Till’s own page.')
  const body = input.safeParse(await request.json().catch(() => null))
  if (!body.success)
    return problem(422, 'invalid', 'Type the passphrase.', [
      { path: 'passphrase', message: 'Type the passphrase.' },
    ])
  const session = await signIn(database(), body.data.passphrase)
  if (!session.ok) return problemOf(session.error)
  return Response.json(
    {},
    { headers: { 'set-cookie': cookie(session.value.token, SESSION_DAYS * 86_400, isSecure(request)) } },
  )
}

/** Signs out: the session ends here, whoever holds its cookie. */
export const DELETE = async (request: Request): Promise<Response> => {
  if (!isSameOrigin(request)) return problem(403, 'foreign', 'Sign out from Iron Till’s own page.')
  const token = new RegExp(`${SESSION_COOKIE}=([^;]+)`).exec(request.headers.get('cookie') ?? '')?.[1]
  if (token) await signOut(database(), token)
  return Response.json({}, { headers: { 'set-cookie': cookie('', 0, isSecure(request)) } })
}
