import { askCard } from '@/standins/card/askCard'
import { isPaper } from '@/core/formats'
import { database } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { makeNamedPaper } from '@/documents/make'
import { businessToday } from '@/services/clock'
import type { Command, Till } from '@/services/command'
import { acceptOffer, previewChoice, refuseOffer } from '@/services/customerPage/answerOffer'
import { findPage } from '@/services/customerPage/openPage'
import { beginPagePayment } from '@/services/customerPage/payOnPage'
import { mayRead } from '@/services/customerPage/readPage'
import { settleCardPayment } from '@/services/money/cardPayment'
import { hashToken } from '@/services/access/secrets'
import { named } from './export'
import { mayAgain } from './limit'
import { problem, problemOf } from './problem'
import { answering } from './answering'
import { readBody } from './body'
import { isSameOrigin } from './entry'

const json = (body: unknown, status = 200): Response =>
  Response.json(body, { status, headers: { 'cache-control': 'no-store' } })
/** So many papers a minute a link opens: they take work to draw. */
const PAPERS_A_MINUTE = 20
const closed = () => problem(404, 'link-closed', 'This page is no longer open. Ask us for a new link.')

/** Answers a change asked for from outside: only from our own pages, once for each key. */
export const publicChange = async (
  request: Request,
  work: (till: Till, body: Record<string, unknown>, key: string | null) => Promise<Response>,
): Promise<Response> =>
  answering(request, async () => {
    if (!isSameOrigin(request)) return problem(403, 'foreign', 'This did not come from our own page.')
    const body = await readBody(request)
    if (body instanceof Response) return body
    const given = body.value ?? {}
    if (typeof given !== 'object' || Array.isArray(given))
      return problem(422, 'invalid', 'The body must be a JSON object.')
    const key = request.headers.get('idempotency-key')
    if (key !== null && key.length > 200) return problem(400, 'bad-key', 'An Idempotency-Key has 1 to 200 characters.')
    return work({ db: database(), today: await businessToday(database()) }, given as Record<string, unknown>, key)
  })

export const run = async <I, A>(
  command: Command<I, A>,
  till: Till,
  input: unknown,
  key: string | null,
): Promise<Response> => {
  const done = await command.answer(till, input, key)
  return done.ok ? json(done.value) : problemOf(done.error)
}

/** Asks the card for what was written down, and answers whoever pays: a receipt, or why not. */
export const payByCard = async (till: Till, reference: string, number: unknown): Promise<Response> => {
  let answer: Response = problem(409, 'card-refused', 'The card did not answer. Nothing was taken; try again.')
  await askCard({ number: typeof number === 'string' ? number : '' }, async ({ approved, why }) => {
    const settled = await settleCardPayment.answer(till, { reference, approved, why }, null)
    answer = !settled.ok
      ? problemOf(settled.error)
      : settled.value
        ? json({
            receipt: { id: settled.value.id, number: settled.value.number, amount: settled.value.amount },
          })
        : problemOf({ code: 'card-refused', why })
  })
  return answer
}

const pay = (token: string) => (till: Till, body: Record<string, unknown>, key: string | null) =>
  (async () => {
    const { card, ...wish } = body
    // The customer's own key names the payment: pressed twice, it is asked of the card once.
    const begun = await beginPagePayment.answer(till, { ...wish, token }, key && hashToken(`${token}:${key}`))
    return begun.ok ? payByCard(till, begun.value.reference, card) : problemOf(begun.error)
  })()

/** `/api/c/{secret}/…`: what a customer can do on their own page. */
export const serveCustomerChange = (request: Request, token: string, action: string): Promise<Response> =>
  publicChange(request, async (till, body, key) => {
    if (!(await findPage(till.db, token, till.today))) return closed()
    // Keys of one page never meet those of another, or the owner's.
    const own = key && hashToken(`${token}:${key}`)
    switch (action) {
      case 'preview':
        return run(previewChoice, till, { ...body, token }, null)
      case 'accept':
        return run(acceptOffer, till, { ...body, token }, own)
      case 'refuse':
        return run(refuseOffer, till, { ...body, token }, own)
      case 'pay':
        return pay(token)(till, body, key)
      default:
        return problem(404, 'no-such-call', 'There is nothing of that name here.')
    }
  })

/** `/api/c/{secret}/papers/{kind}/{id}.pdf`: a paper of their own. */
export const serveCustomerPaper = (request: Request, token: string, kind: string, name: string): Promise<Response> =>
  answering(request, () => customerPaper(token, kind, name))

const customerPaper = async (token: string, kind: string, name: string): Promise<Response> => {
  if (!mayAgain(`paper ${hashToken(token)}`, PAPERS_A_MINUTE, 60_000))
    return problem(429, 'too-many', 'That is many papers in a minute. Wait a moment, then open it again.', [], {
      headers: { 'retry-after': '20' },
    })
  const db = database()
  const today = await businessToday(db)
  const [page, business] = await Promise.all([findPage(db, token, today), findBusiness(db)])
  if (!page || !business) return closed()
  const id = Number(/^(\d{1,9})\.pdf$/.exec(name)?.[1])
  const none = problem(404, 'not-found', 'There is no such paper of yours.')
  if (!id || !isPaper(kind)) return none
  if (!(await mayRead(db, page, kind, id, business.currency))) return none
  return named(await makeNamedPaper({ db, business, today }, kind, id)) ?? none
}
