import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { toFourPlaces, type Decimal } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import { listPriceLevels, listTaxAreas } from '@/data/queries/prices'
import { rateOn, pickTax } from '@/core/tax'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { readPricing } from './pricing'
import { readGoods } from './goods'
import { readUnitCosts } from './unitCosts'
import { isExempt, readAreaCode } from '@/model/people/taxOf'

/** What a thing costs a customer in a quantity, and what is there: what a line shows while it is typed. */
export const readPrice = async (
  db: Db,
  wish: {
    goodsId: number
    quantity: Decimal
    customerId?: number
    deliverTo?: string
    /** They take it along: no delivery address picks the tax. */
    inStore?: boolean
    pricesIncludeTax?: boolean
  },
  business: Business,
  today: Day,
) => {
  const standing = await readGoods(db, wish.goodsId, business, today)
  if (!standing) return null
  const customer = wish.customerId ? await findCustomer(db, wish.customerId, business.currency) : null
  const codes = await listTaxCodes(db)
  const own = present(codes.find((c) => c.id === standing.goods.taxCodeId))
  const areaCode = customer && !wish.inStore ? (await readAreaCode(db, customer.id))(wish.deliverTo ?? '') : undefined
  const exempt = customer && isExempt(customer, today) ? codes.find((c) => c.treatment === 'exempt') : undefined
  const byArea = codes.find((c) => c.id === areaCode)
  const taxCode = rateOn(codes, pickTax({ exempt, byArea, own }).id, today)
  const pricing = await readPricing(db, [standing.goods], business, {
    level: customer?.priceLevel ?? '',
    pricesIncludeTax: wish.pricesIncludeTax,
  })
  const costOf = await readUnitCosts(db, [standing.goods], { currency: business.currency, today })
  const priced = pricing.priceOf({ goods: standing.goods, quantity: wish.quantity, on: today, taxCode })
  return {
    goodsId: wish.goodsId,
    price: toFourPlaces(priced.price),
    from: priced.from,
    pricesIncludeTax: pricing.pricesIncludeTax,
    taxCode: taxCode.code,
    /** Its own, whoever takes it wherever. */
    ownTaxCode: own.code,
    /** Null for work and charges: they lie on no shelf. */
    available: standing.goods.kind === 'stock' || standing.goods.kind === 'kit' ? standing.available.toString() : null,
    onTheWay: standing.onTheWay.toString(),
    unitCost: toFourPlaces(costOf(wish.goodsId)),
  }
}

export const priceLevelsView = async (db: Db) =>
  (await listPriceLevels(db)).map((l) => ({ ...l, percentOff: l.percentOff.toString() }))

export const taxAreasView = async (db: Db) => (await listTaxAreas(db)).map(({ taxCodeId: _taxCodeId, ...a }) => a)
