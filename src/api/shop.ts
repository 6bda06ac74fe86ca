import { makeSecret } from '@/services/access/secrets'
import { database } from '@/data/connect'
import { findBasketOf } from '@/data/queries/baskets'
import { findBusiness } from '@/data/queries/business'
import { businessDate } from '@/services/clock'
import { hashToken } from '@/services/access/secrets'
import { orderBasket, putInBasket, tellBasket } from '@/services/shopfront/basket'
import { readBasket } from '@/services/shopfront/readShop'
import { answering } from './answering'
import { cookieOf, makeCookie } from './entry'
import { payByCard, publicChange, run } from './customer'
import { problem, problemOf } from './problem'

export const BASKET_COOKIE = 'till_basket'
const secretOf = (request: Request): string | null =>
  /^[\w-]{20,100}$/.exec(cookieOf(request, BASKET_COOKIE) ?? '')?.[0] ?? null

const keep = (response: Response, secret: string, request: Request): Response => {
  response.headers.set(
    'set-cookie',
    makeCookie(request, { name: BASKET_COOKIE, value: secret, seconds: 2_592_000, sameSite: 'Lax' }),
  )
  return response
}

/** The basket of this browser; null while it has none. */
export const readMyBasket = async (secret: string | undefined) => {
  const db = database()
  const [business, basket] = await Promise.all([findBusiness(db), secret ? findBasketOf(db, hashToken(secret)) : null])
  return business && basket ? readBasket(db, basket.id, business, businessDate()) : null
}

export const serveMyBasket = (request: Request): Promise<Response> =>
  answering(request, async () =>
    Response.json(
      { basket: await readMyBasket(secretOf(request) ?? undefined) },
      { headers: { 'cache-control': 'no-store' } },
    ),
  )

/** `/api/shop/…`: what whoever looks at the shopfront can do with their basket. */
export const serveShopChange = (request: Request, action: string): Promise<Response> =>
  publicChange(request, async (till, body, key) => {
    const secret = secretOf(request) ?? makeSecret()
    const { basketId: _basketId, customerId: _customerId, card, ...wish } = body
    const own = key && hashToken(`${secret}:${key}`)
    if (action === 'lines') return keep(await run(putInBasket, till, { ...wish, secret }, null), secret, request)
    if (action === 'basket') return keep(await run(tellBasket, till, { ...wish, secret }, null), secret, request)
    if (action !== 'order') return problem(404, 'no-such-call', 'There is nothing of that name here.')
    const ordered = await orderBasket.answer(till, { ...wish, secret }, own)
    if (!ordered.ok) return problemOf(ordered.error)
    const { number, reference } = ordered.value
    if (reference === null) return Response.json({ number, paid: false })
    // The order stands even where the card is refused: it can be paid another way.
    const paid = await payByCard(till, reference, card)
    if (paid.ok) {
      const { receipt } = (await paid.json()) as { receipt: { number: string; amount: string } }
      return Response.json({ number, paid: true, receipt: { number: receipt.number, amount: receipt.amount } })
    }
    const why = (await paid.json()) as { detail: string }
    return Response.json({ number, paid: false, why: why.detail })
  })
