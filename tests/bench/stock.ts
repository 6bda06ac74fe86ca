import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { day } from '@/core/day'
import type { Database } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { goodsCardView, goodsStockView } from '@/model/goods/stockViews'
import { readGoodsList } from '@/model/goods/goods'
import { readPicking, readPickings } from '@/model/goods/picking'
import { readStockOn, readWorthiest } from '@/model/goods/stockOn'

interface Shop {
  readonly db: Database
  readonly business: Business
}

const today = day('2026-11-25')

/** Fills a business with ten thousand things and two hundred thousand moves of them. */
export const fillStock = async (db: Database): Promise<void> => {
  const statements = readFileSync(join(import.meta.dirname, 'stock.sql'), 'utf8')
  await db.transaction(async (tx) => {
    for (const statement of statements.split(/;\s*\n/).filter((s) => s.replace(/--[^\n]*/g, '').trim() !== ''))
      await tx.execute(statement)
  })
}

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
