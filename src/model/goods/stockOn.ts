import type { Day } from '@/core/day'
import { subtractMoney, sumMoney, type Decimal, type Money } from '@/core/money'
import { rowsBy } from '@/core/rowsBy'
import { unitCost } from '@/core/stock'
import { present } from '@/core/present'
import { sumRole } from '@/data/queries/balances'
import { findGoods } from '@/data/queries/goods'
import { listPlaces, listStockOn } from '@/data/queries/stock'
import { findHowTold, listWorthiest, sumStockValue } from '@/data/queries/stockValue'
import { pieceNames, type PieceNames } from './pieceNames'
import type { Where } from '../where'

/** What lay of a thing in a place on a day. */
export interface StockOnRow extends PieceNames {
  readonly goodsId: number
  readonly code: string
  readonly name: string
  /** Empty where there is one place. */
  readonly place: string
  readonly quantity: Decimal
  readonly unitCost: Decimal
  readonly value: Money
  /** What all of the thing was worth, wherever it lay. */
  readonly worth: Money
}

/**
 * What lay anywhere at the end of a day, of all goods or of some; what everything was worth, and by how much its account says
 * otherwise: nothing.
 */
export const readStockOn = async (where: Where, asOf: Day, goodsIds?: readonly number[]) =>
  readPiles(where, asOf, goodsIds, sumStockValue(where.db, { asOf, today: where.today }, where.currency))

const readPiles = async (
  { db, currency }: Where,
  asOf: Day,
  goodsIds: readonly number[] | undefined,
  all: Promise<Money>,
) => {
  const [stock, places, account, value, how] = await Promise.all([
    listStockOn(db, { asOf, goodsIds }, currency),
    listPlaces(db),
    sumRole(db, 'stock', asOf, currency),
    all,
    findHowTold(db),
  ])
  const goods = await findGoods(
    db,
    stock.map((s) => s.goodsId),
  )
  const several = places.length > 1
  const named = await pieceNames(db, stock)
  const worth = new Map(
    [...rowsBy(stock, (s) => s.goodsId)].map(([id, piles]) => [
      id,
      sumMoney(
        piles.map((p) => p.value),
        currency,
      ),
    ]),
  )
  const rows = stock.map((s): StockOnRow => {
    const { code, name } = present(goods.get(s.goodsId))
    return {
      goodsId: s.goodsId,
      code,
      name,
      ...named(s.batchId),
      place: several ? present(places.find((p) => p.id === s.placeId)).name : '',
      quantity: s.quantity,
      unitCost: unitCost(s),
      value: s.value,
      worth: present(worth.get(s.goodsId)),
    }
  })
  return {
    rows,
    several,
    ...how,
    value,
    difference: subtractMoney(value, account),
  }
}

/** Where the worthiest things lay on a day, so many of them; with what everything was worth. */
export const readWorthiest = async (where: Where, asOf: Day, limit: number) => {
  const { goodsIds, value } = await listWorthiest(where.db, { asOf, today: where.today, limit }, where.currency)
  return readPiles(where, asOf, goodsIds, Promise.resolve(value))
}
