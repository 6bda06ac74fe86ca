import { problem, problemOf } from '@/api/problem'
import { isSameOrigin } from '@/api/serve'
import { database } from '@/data/connect'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { businessDate } from '@/services/clock'

export const dynamic = 'force-dynamic'

/** The first-run page sets the business up. There is nobody to sign in yet; it works once, and from our own page alone. */
export const POST = async (request: Request): Promise<Response> => {
  if (!isSameOrigin(request)) return problem(403, 'foreign', 'Set the business up from Iron Till’s own page.')
  const body: unknown = await request.json().catch(() => null)
  const made = await setUpBusiness({ db: database(), today: businessDate() }, body)
  return made.ok ? Response.json(made.value, { status: 201 }) : problemOf(made.error)
}
