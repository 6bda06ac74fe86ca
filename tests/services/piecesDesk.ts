import { day } from '@/core/day'
import { findBusiness } from '@/data/queries/business'
import { goodsStockView } from '@/model/goods/stockViews'
import { saleView } from '@/model/sale/saleView'
import { addPlace } from '@/services/goods/places'
import { startSale } from '@/services/sales/startSale'
import { addToldGoods } from './history/pieces'
import { openTestShop } from './shop'

/** A shop with a store room, goods that are told apart in every way, and eyes and hands for them. */
export const openPieces = async () => {
  const s = await openTestShop()
  const told = await addToldGoods(s)
  const shop = 1
  const store = await s.run(addPlace, { code: 'STORE', name: 'Store room' })
  const business = (await findBusiness(s.db))!
  /** What lies where of a thing on a day: `shop L1 3: 27.00`. */
  const stock = async (goodsId: number, asOf = '2026-03-01') =>
    (await goodsStockView(s.db, goodsId, day(asOf), { business, today: s.shop.today }))!.rows.map(
      (r) => `${r.placeId === shop ? 'shop' : 'store'} ${r.serial ?? r.lot ?? '-'} ${Number(r.onHand)}: ${r.value}`,
    )
  const lineOf = async (saleId: number) => (await saleView(s.db, saleId, business, s.shop.today))!.lines[0]!
  /** A sale of so many, agreed; its id and its line's. */
  const sell = async (goodsId: number, quantity: string, customerId = s.customer) => {
    const saleId = await s.run(startSale, { customerId, agreed: true, lines: [{ goodsId, quantity }] })
    return { saleId, lineId: (await lineOf(saleId)).id }
  }
  return { s, told, shop, store, business, stock, sell, lineOf }
}
export type Pieces = Awaited<ReturnType<typeof openPieces>>
