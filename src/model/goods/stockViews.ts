import type { Day } from '@/core/day'
import { sumMoney, toDecimalString, toFourPlaces, ZERO } from '@/core/money'
import { unitCost } from '@/core/stock'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listStockOn } from '@/data/queries/stock'
import { listStockCard } from '@/data/queries/stockCard'
import { pieceNames } from './pieceNames'
import { findGoods } from '@/data/queries/goods'
import type { Asked } from '../where'
import { readGoods } from './goods'

/** What lies of a thing at the end of a day, place by place; set aside and available as they are now. */
export const goodsStockView = async (
  db: Db,
  goodsId: number,
  asOf: Day,
  { business, today }: Pick<Asked, 'business' | 'today'>,
) => {
  const standing = await readGoods(db, goodsId, business, today)
  if (!standing) return null
  const rows = await listStockOn(db, { asOf, goodsIds: [goodsId] }, business.currency)
  const named = await pieceNames(db, rows)
  return {
    goodsId,
    asOf,
    rows: rows.map((r) => ({
      placeId: r.placeId,
      ...named(r.batchId),
      onHand: toFourPlaces(r.quantity),
      unitCost: toFourPlaces(unitCost(r)),
      value: toDecimalString(r.value),
    })),
    onHand: toFourPlaces(rows.reduce((sum, r) => sum.plus(r.quantity), ZERO)),
    setAside: toFourPlaces(standing.setAside),
    available: toFourPlaces(standing.available),
    onTheWay: toFourPlaces(standing.onTheWay),
    value: toDecimalString(
      sumMoney(
        rows.map((r) => r.value),
        business.currency,
      ),
    ),
  }
}

/** What came and went of a thing between two days, in order, each with what lay there after it. */
export const goodsCardView = async (
  db: Db,
  goodsId: number,
  span: { readonly from?: Day; readonly to?: Day },
  business: Business,
) => {
  if (!(await findGoods(db, [goodsId])).has(goodsId)) return null
  const lines = await listStockCard(db, goodsId, business.currency)
  return {
    goodsId,
    rows: lines
      .filter((l) => (!span.from || l.on >= span.from) && (!span.to || l.on <= span.to))
      .reverse()
      .map((l) => ({
        on: l.on,
        what: l.paperKind,
        paper: l.paper,
        placeId: l.placeId,
        lot: l.lot,
        serial: l.serial,
        quantity: toFourPlaces(l.quantity),
        value: toDecimalString(l.value),
        running: toFourPlaces(l.runningQuantity),
        runningValue: toDecimalString(l.runningValue),
      })),
  }
}
