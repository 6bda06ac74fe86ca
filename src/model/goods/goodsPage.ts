import { present } from '@/core/present'
import { listAccounts, listIncomeAccounts } from '@/data/queries/accounts'
import { listFiles } from '@/data/queries/files'
import { findGoods } from '@/data/queries/goods'
import { listPriceLevels } from '@/data/queries/prices'
import { everMoved, listPlaces } from '@/data/queries/stock'
import { listStockCard, type CardLine as StockCardLine } from '@/data/queries/stockCard'
import { readPlainTaxCodes } from '../books/taxCodes'
import type { Where } from '../where'
import { goodsView, readGoods } from './goods'

/** What a form about goods lets choose from. */
export const readGoodsChoices = async ({ db, today }: Where) => {
  const [codes, incomes, levels, places] = await Promise.all([
    readPlainTaxCodes(db, today),
    listIncomeAccounts(db),
    listPriceLevels(db),
    listPlaces(db),
  ])
  return {
    codes,
    incomes,
    levels: levels.map((l) => ({ code: l.code, name: l.name })),
    // Where there is one place, nobody is asked for it.
    places: places.length < 2 ? [] : places.map((p) => ({ id: p.id, name: p.name })),
  }
}

/** A line of a stock card, with whose it is. */
export interface CardLine extends StockCardLine {
  readonly goodsId: number
}

/** The moves of a thing, the newest first, each with quantity and value after it. */
export const readStockCard = async (
  { db, currency }: Where,
  goodsId: number,
  of: { readonly lot?: string; readonly serial?: string } = {},
): Promise<readonly CardLine[]> => {
  const [lines, places] = await Promise.all([listStockCard(db, goodsId, currency, of), listPlaces(db)])
  // Where there is one place, nobody is told of it.
  return lines.map((l) => ({ ...l, goodsId, place: places.length > 1 ? l.place : '' }))
}

/** Everything the page of a thing shows; null where there is none. */
export const readGoodsPage = async (where: Where, id: number) => {
  const { db, business } = where
  const standing = await readGoods(db, id, business, where.today)
  if (!standing) return null
  const [choices, accounts, files, view, parts, moved] = await Promise.all([
    readGoodsChoices(where),
    listAccounts(db),
    listFiles(db, 'goods', id),
    goodsView(db, id, business, where.today),
    findGoods(
      db,
      standing.goods.parts.map((p) => p.goodsId),
    ),
    everMoved(db, id),
  ])
  return { standing, ...choices, accounts, files, view: present(view), parts, moved }
}
