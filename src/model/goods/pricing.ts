import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { decimal, minorDigits, type Decimal } from '@/core/money'
import { choosePrice, convertPrice, sayPriceSource } from '@/core/price'
import { wholeRate, type TaxCode } from '@/core/tax'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findGoods, type Goods } from '@/data/queries/goods'
import { findPriceLevel, listPrices, type KeptPriceLevel } from '@/data/queries/prices'

export interface Priced {
  readonly price: Decimal
  /** Where it came from, in words. */
  readonly from: string
}

export interface Pricing {
  readonly level: KeptPriceLevel | null
  readonly pricesIncludeTax: boolean
  readonly priceOf: (wish: {
    readonly goods: Goods
    readonly quantity: Decimal
    readonly on: Day
    readonly taxCode: TaxCode
  }) => Priced
}

/** Reads what is needed to price things for somebody of a price level, for papers with or without tax. */
export const readPricing = async (
  db: Db,
  goods: readonly Goods[],
  business: Pick<Business, 'pricesIncludeTax' | 'currency'>,
  wish: { readonly level: string; readonly pricesIncludeTax?: boolean },
): Promise<Pricing> => {
  const level = await findPriceLevel(db, wish.level)
  const levelWithTax = level?.pricesIncludeTax ?? business.pricesIncludeTax
  const withTax = wish.pricesIncludeTax ?? levelWithTax
  const summed = goods.filter((g) => g.priceIsSum)
  const [offers, parts] = await Promise.all([
    listPrices(
      db,
      goods.map((g) => g.id),
      level?.id ?? null,
    ),
    findGoods(
      db,
      summed.flatMap((g) => g.parts.map((p) => p.goodsId)),
    ),
  ])
  const listPrice = (g: Goods): Decimal =>
    g.priceIsSum
      ? g.parts.reduce((sum, p) => sum.plus(present(parts.get(p.goodsId)).price.times(p.quantity)), decimal(0))
      : g.price
  return {
    level,
    pricesIncludeTax: withTax,
    priceOf: ({ goods: g, quantity, on, taxCode }) => {
      const as = (price: Decimal, fromWithTax: boolean) =>
        convertPrice(price, wholeRate(taxCode), { fromWithTax, toWithTax: withTax })
      const chosen = choosePrice({
        list: as(listPrice(g), business.pricesIncludeTax),
        level,
        offers: offers
          .filter((o) => o.goodsId === g.id)
          .map((o) => ({
            ...o,
            price: as(o.price, o.levelId === null ? business.pricesIncludeTax : levelWithTax),
          })),
        quantity,
        on,
        digits: minorDigits(business.currency),
      })
      return { price: chosen.price, from: sayPriceSource(chosen) }
    },
  }
}
