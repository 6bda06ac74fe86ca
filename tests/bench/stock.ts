import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import { goodsCardView, goodsStockView } from '@/model/goods/stockViews'
import { readGoodsList } from '@/model/goods/goods'
import { readPicking, readPickings } from '@/model/goods/picking'
import { readStockOn, readWorthiest } from '@/model/goods/stockOn'
import { today, type Shop } from './fill'

/** What is asked of so many goods. */
export const STOCK: Readonly<Record<string, (s: Shop) => Promise<unknown>>> = {
  'stock on a day, every pile': ({ db, business }) =>
    readStockOn({ db, business, today, currency: 'USD' }, day('2024-06-30')),
  'stock on a day, first page': ({ db, business }) =>
    readWorthiest({ db, business, today, currency: 'USD' }, day('2024-06-30'), 61),
  'stock now, first page': ({ db, business }) => readWorthiest({ db, business, today, currency: 'USD' }, today, 61),
  'stock of a thing': ({ db, business }) => goodsStockView(db, 5000, day('2024-06-30'), { business, today }),
  'a stock card': ({ db, business }) => goodsCardView(db, 5000, {}, business),
  'goods, first page': ({ db, business }) => readGoodsList(db, {}, { limit: 60 }, { business, today }),
  'picking of a sale': async ({ db, business }) => {
    const [sale] = await db.execute<{ id: number }>(sql`select max(id) as id from sale`)
    return readPicking(db, sale!.id, today, { business, today })
  },
  'picking of 100 sales': async ({ db, business }) => {
    const sales = await db.execute<{ id: number }>(sql`select id from sale where number > 900000`)
    const ids = sales.map((s) => s.id)
    return readPickings(db, ids, today, { business, today })
  },
}
