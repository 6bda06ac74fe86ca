import { suggestReorder } from '@/core/buying'
import { addDays, addMonths } from '@/core/day'
import { formatQuantity } from '@/core/money'
import { present } from '@/core/present'
import { listAccounts, listIncomeAccounts } from '@/data/queries/accounts'
import { listFiles } from '@/data/queries/files'
import { findGoods } from '@/data/queries/goods'
import { listPriceLevels } from '@/data/queries/prices'
import { listComing } from '@/data/queries/purchaseOrder'
import { listDeliveryDays, listGoodsSuppliers } from '@/data/queries/suppliers'
import { sumSold } from '@/data/queries/turnover'
import { findWholeUse } from '@/data/queries/wholes'
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

/** Half a year of selling is looked at, and two years of deliveries; who never delivered is taken to need two weeks. */
const SOLD_DAYS = 182
const USUAL_DAYS = 14

/** At how many more of a thing should be ordered, from how it sells and how long it takes to come; in words, or nothing. */
const readReorder = async ({ db, today }: Where, goodsId: number): Promise<string | undefined> => {
  const [sold, [supplier]] = await Promise.all([
    sumSold(db, goodsId, { from: addDays(today, 1 - SOLD_DAYS), to: today }),
    listGoodsSuppliers(db, [goodsId]),
  ])
  const delivers = supplier ? await listDeliveryDays(db, [supplier.supplierId], addMonths(today, -24)) : new Map()
  const toCome = supplier ? (delivers.get(supplier.supplierId)?.days ?? USUAL_DAYS) : USUAL_DAYS
  const at = suggestReorder({ sold, days: SOLD_DAYS, toCome })
  return at.eq(0)
    ? undefined
    : `${formatQuantity(at)} would do: ${formatQuantity(sold)} sold in half a year, ${toCome} days to come`
}

/** Everything the page of a thing shows; null where there is none. */
export const readGoodsPage = async (where: Where, id: number) => {
  const { db, business } = where
  const standing = await readGoods(db, id, business, where.today)
  if (!standing) return null
  const [choices, accounts, files, view, parts, moved, coming, reorder] = await Promise.all([
    readGoodsChoices(where),
    listAccounts(db),
    listFiles(db, 'goods', id),
    goodsView(db, id, business, where.today),
    findGoods(
      db,
      standing.goods.parts.map((p) => p.goodsId),
    ),
    everMoved(db, id),
    listComing(db, [id]),
    readReorder(where, id),
  ])
  return {
    standing,
    /** Nothing ever became of it. */
    unused: !moved && (await findWholeUse(db, 'goods', id)) === null,
    ...choices,
    accounts,
    files,
    view: present(view),
    parts,
    moved,
    coming: coming.get(id) ?? null,
    reorder,
  }
}
