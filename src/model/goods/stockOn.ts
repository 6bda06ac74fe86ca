import type { Day } from '@/core/day'
import { subtractMoney, sumMoney, type Decimal, type Money } from '@/core/money'
import { unitCost } from '@/core/stock'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { sumAccounts } from '@/data/queries/balances'
import { findGoods } from '@/data/queries/goods'
import { listPlaces, listStockOn } from '@/data/queries/stock'
import { pieceNames, type PieceNames } from './pieceNames'
import { inDebit } from '../books/ties'
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
}

/** Everything that lay anywhere at the end of a day, what it was worth, and by how much its account says otherwise: nothing. */
export const readStockOn = async ({ db, currency }: Where, asOf: Day, goodsId?: number) => {
  const [stock, places, sums, accounts] = await Promise.all([
    listStockOn(db, { asOf, goodsIds: goodsId === undefined ? undefined : [goodsId] }, currency),
    listPlaces(db),
    sumAccounts(db, { to: asOf }, currency),
    listAccounts(db),
  ])
  const goods = await findGoods(
    db,
    stock.map((s) => s.goodsId),
  )
  const several = places.length > 1
  const named = await pieceNames(db, stock)
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
    }
  })
  const value = sumMoney(
    rows.map((r) => r.value),
    currency,
  )
  const account = inDebit(sums, accounts.find((a) => a.role === 'stock')?.id, currency)
  return {
    rows,
    several,
    told: rows.some((r) => r.lot !== null || r.serial !== null),
    expire: rows.some((r) => r.expires !== null),
    one: goodsId !== undefined,
    value,
    difference: subtractMoney(value, account),
  }
}
