import { z } from 'zod'
import { listAccounts } from '@/data/queries/accounts'
import { listPlaces } from '@/data/queries/goods'
import { countStock } from '@/services/goods/countStock'
import { addGoods, changeGoods } from '@/services/goods/keepGoods'
import { goodsView, readGoodsList, viewOfGoods } from '@/services/read/goods'
import { readPlainTaxCodes } from '@/services/read/taxCodes'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'

const whole = <T>(items: readonly T[]) => ({ items, next: null })

export const goods = [
  change('/goods', 'New goods: stock, work, a charge, or a kit of other goods.', addGoods, { status: 201 }),
  read(
    '/goods',
    'Goods by code.',
    page.extend({
      search: z.string().max(200).optional(),
      kind: z.enum(['stock', 'work', 'charge', 'kit']).optional(),
    }),
    async ({ db, business, query }) =>
      listOf(
        await readGoodsList(
          db,
          { search: query.search, kind: query.kind },
          { limit: query.limit, after: readCursor(z.object({ code: z.string() }), query.after) },
          business,
        ),
        query.limit,
        viewOfGoods,
        (g) => ({ code: g.goods.code }),
      ),
  ),
  read(
    '/goods/{id}',
    'Goods, with what lies on the shelf and what is set aside.',
    noQuery,
    ({ db, id, business }) => goodsView(db, id, business),
    'goods',
  ),
  change('/goods/{id}', 'Changes goods from now on.', changeGoods, {
    path: { goodsId: 'id' },
    method: 'PATCH',
  }),
  change('/stock-counts', 'What was counted replaces what the books had.', countStock, { status: 201 }),
  read('/tax-codes', 'Tax codes; the first is used where none is named.', noQuery, async ({ db }) =>
    whole(await readPlainTaxCodes(db)),
  ),
  read('/accounts', 'The chart of accounts.', noQuery, async ({ db }) => whole(await listAccounts(db))),
  read('/places', 'Places goods lie in.', noQuery, async ({ db }) => whole(await listPlaces(db))),
]
