import { formatQuantity, formatMoney } from '@/core/money'
import { listPlaces, listStockOn } from '@/data/queries/stock'
import type { Goods } from '@/data/queries/goods'
import type { Where } from '../where'

/** Where goods lie, the usual place first. */
export const readPlaces = ({ db }: Where) => listPlaces(db)

/** A place with what lies there of a thing, as it is read. */
export interface PlaceWithGoods {
  readonly id: number
  readonly name: string
  readonly usual: boolean
  readonly onHand: string
  readonly value: string
}

/**
 * Every place with what lies there of a thing today, its own usual place first; empty where there is only one place, so that
 * nobody sees it.
 */
export const readWhereItLies = async (
  where: Where,
  { id: goodsId, placeId }: Pick<Goods, 'id' | 'placeId'>,
): Promise<readonly PlaceWithGoods[]> => {
  const { db, today, currency } = where
  const all = await listPlaces(db)
  if (all.length < 2) return []
  const places = [...all.filter((p) => p.id === placeId), ...all.filter((p) => p.id !== placeId)]
  const rows = await listStockOn(db, { asOf: today, goodsIds: [goodsId] }, currency)
  return places.map((p) => {
    const there = rows.find((r) => r.placeId === p.id)
    return {
      id: p.id,
      name: p.name,
      usual: placeId === null ? p.usual : p.id === placeId,
      onHand: there ? formatQuantity(there.quantity) : '0',
      value: there ? formatMoney(there.value) : '',
    }
  })
}
