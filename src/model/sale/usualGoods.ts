import type { Day } from '@/core/day'
import { toFourPlaces } from '@/core/money'
import { usualGoods, type UsualThing } from '@/core/sale'
import type { Db } from '@/data/connect'
import { findCustomer } from '@/data/queries/customers'
import type { Business } from '@/data/queries/business'
import { findGoods } from '@/data/queries/goods'
import { rateOn } from '@/core/tax'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { readPricing } from '@/model/goods/pricing'
import { standGoods, type GoodsStanding } from '@/model/goods/goods'
import { listTakings } from '@/data/queries/saleLine'

export interface UsualRow extends UsualThing {
  readonly standing: GoodsStanding
  /** What one costs this customer today. */
  readonly price: string
  readonly priceFrom: string
}

/** What a customer usually takes, with what is there now and what it costs them today. */
export const readUsual = async (
  db: Db,
  customerId: number,
  business: Business,
  today: Day,
  limit = 40,
): Promise<UsualRow[] | null> => {
  const customer = await findCustomer(db, customerId, business.currency)
  if (!customer) return null
  const usual = usualGoods(await listTakings(db, customerId), today).slice(0, limit)
  const goods = await findGoods(
    db,
    usual.map((u) => u.goodsId),
  )
  const inUse = [...goods.values()].filter((g) => !g.retired)
  const [standings, pricing, codes] = await Promise.all([
    standGoods(db, inUse, business, today),
    readPricing(db, inUse, business, { level: customer.priceLevel }),
    listTaxCodes(db),
  ])
  return usual.flatMap((u) => {
    const standing = standings.find((s) => s.goods.id === u.goodsId)
    if (!standing) return []
    const { goods: thing } = standing
    const priced = pricing.priceOf({
      goods: thing,
      quantity: u.lastQuantity,
      on: today,
      taxCode: rateOn(codes, thing.taxCodeId, today),
    })
    return [{ ...u, standing, price: toFourPlaces(priced.price), priceFrom: priced.from }]
  })
}

export const usualView = async (db: Db, customerId: number, business: Business, today: Day) =>
  (await readUsual(db, customerId, business, today))?.map((u) => ({
    goodsId: u.goodsId,
    code: u.standing.goods.code,
    name: u.standing.goods.name,
    lastOn: u.lastOn,
    lastQuantity: u.lastQuantity.toString(),
    lastPrice: u.lastPrice.toString(),
    times: u.times,
    quantity: u.quantity.toString(),
    perMonth: u.perMonth.toString(),
    onHand: u.standing.onHand.toString(),
    available: u.standing.available.toString(),
    price: u.price,
    priceFrom: u.priceFrom,
    taxCode: u.standing.taxCode,
    unitCost: toFourPlaces(u.standing.unitCost),
  })) ?? null
