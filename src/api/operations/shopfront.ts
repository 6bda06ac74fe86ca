import { z } from 'zod'
import { listOpenBaskets } from '@/data/queries/baskets'
import { orderBasket, putInBasket, tellBasket } from '@/services/shopfront/basket'
import { readBasket } from '@/services/shopfront/readShop'
import { change, listOf, longPage, noQuery, read, readCursor } from '../operation'

/** Where a page of baskets ends. */
const basketCursor = z.object({ touched: z.iso.datetime(), id: z.number().int() })

const ofBasket = { path: { basketId: 'id' } }

/** The owner's side of the shopfront: the same baskets, seen and changed while the customer fills them. */
export const shopfront = [
  read('/baskets', 'Open baskets, most recent first.', longPage, async ({ db, query: { limit, after } }) =>
    listOf(
      await listOpenBaskets(db, { limit, after: readCursor(basketCursor, after) }),
      limit,
      ({ touched: _, ...basket }) => basket,
      ({ touched, id }) => ({ touched, id }),
    ),
  ),
  read(
    '/baskets/{id}',
    'A basket as both sides see it.',
    noQuery,
    ({ db, id, business, today }) => readBasket(db, id, business, today),
    'basket',
  ),
  change('/baskets/{id}/lines', 'So many of a thing; none takes it out.', putInBasket, ofBasket),
  change('/baskets/{id}', 'Who it is for and where it goes.', tellBasket, { ...ofBasket, method: 'PATCH' }),
  change('/baskets/{id}/order', 'Makes an order of it.', orderBasket, { ...ofBasket, status: 201 }),
]
