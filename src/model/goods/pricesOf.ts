import type { Db } from '@/data/connect'
import { listPriceLevels, listPrices } from '@/data/queries/prices'

/** Prices of a thing beside its list price. */
export const pricesView = async (db: Db, goodsId: number) => {
  const [prices, levels] = await Promise.all([listPrices(db, [goodsId], 'every'), listPriceLevels(db)])
  return prices.map((p) => ({
    level: levels.find((l) => l.id === p.levelId)?.code ?? '',
    fromQuantity: p.fromQuantity.toString(),
    price: p.price.toString(),
    validFrom: p.validFrom,
    validUntil: p.validUntil,
  }))
}
