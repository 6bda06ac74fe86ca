import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { decimal, toDecimalString, ZERO } from '@/core/money'
import { computeTax, lineAmount, rateOn } from '@/core/tax'
import type { Db } from '@/data/connect'
import { findBasket, listBasketLines } from '@/data/queries/baskets'
import type { Business } from '@/data/queries/business'
import { findGoods, listGoods } from '@/data/queries/goods'
import { listTaxCodes } from '@/data/queries/taxCodes'
import type { PageAsked } from '@/contract/pageAsked'
import { readPricing } from '@/model/goods/pricing'
import { standGoods } from '@/model/goods/goods'

/** Things on a page of the online shop. */
const PAGE = 48

/** A page of what stands on the shopfront, by name: name, picture, price, and whether it is there. Never what it costs. */
export const readShop = async (db: Db, business: Business, today: Day, { search, page }: PageAsked) => {
  const found = await listGoods(
    db,
    { onShopfront: true, search },
    { limit: PAGE + 1, offset: (page - 1) * PAGE, order: { by: 'name', down: false } },
  )
  const goods = found.slice(0, PAGE)
  const [standing, pricing, codes] = await Promise.all([
    standGoods(db, goods, business, today),
    readPricing(db, goods, business, { level: '' }),
    listTaxCodes(db),
  ])
  const things = standing.map((s) => {
    const { goods: g } = s
    const priced = pricing.priceOf({
      goods: g,
      quantity: decimal(1),
      on: today,
      taxCode: rateOn(codes, g.taxCodeId, today),
    })
    return {
      id: g.id,
      name: g.name,
      note: g.note,
      price: priced.price.toString(),
      pictureFileId: g.pictureFileId,
      there: g.kind === 'stock' || g.kind === 'kit' ? s.available.toString() : null,
    }
  })
  return { things, more: found.length > PAGE }
}
export type ShopThing = Awaited<ReturnType<typeof readShop>>['things'][number]

/** A basket as both sides see it, with what it comes to by the functions that will bill it. */
export const readBasket = async (db: Db, basketId: number, business: Business, today: Day) => {
  const basket = await findBasket(db, basketId)
  if (!basket) return null
  const lines = await listBasketLines(db, basketId)
  const goods = await findGoods(
    db,
    lines.map((l) => l.goodsId),
  )
  const things = [...goods.values()]
  const [codes, pricing, standing] = await Promise.all([
    listTaxCodes(db),
    readPricing(db, things, business, { level: '' }),
    standGoods(db, things, business, today),
  ])
  const priced = lines.map((l) => {
    const thing = present(goods.get(l.goodsId))
    const taxCode = rateOn(codes, thing.taxCodeId, today)
    const { price, from } = pricing.priceOf({ goods: thing, quantity: l.quantity, on: today, taxCode })
    return { ...l, thing, taxCode, price, from }
  })
  const totals = computeTax(
    priced.map((p) => ({
      amount: lineAmount({ quantity: p.quantity, unitPrice: p.price, discountPercent: ZERO }, business.currency),
      taxCode: p.taxCode,
    })),
    {
      currency: business.currency,
      pricesIncludeTax: pricing.pricesIncludeTax,
      roundPer: business.taxRoundedPer,
    },
  )
  return {
    id: basket.id,
    turn: basket.turn,
    name: basket.name,
    email: basket.email,
    phone: basket.phone,
    deliverTo: basket.deliverTo,
    note: basket.note,
    startedOn: basket.startedOn,
    saleId: basket.saleId,
    lines: priced.map((p, i) => ({
      goodsId: p.goodsId,
      name: p.thing.name,
      code: p.thing.code,
      quantity: p.quantity.toString(),
      price: p.price.toString(),
      priceFrom: p.from,
      available: present(standing.find((s) => s.goods.id === p.goodsId)).available.toString(),
      sum: toDecimalString(pricing.pricesIncludeTax ? present(totals.lines[i]).gross : present(totals.lines[i]).net),
    })),
    totals: {
      net: toDecimalString(totals.net),
      tax: toDecimalString(totals.tax),
      gross: toDecimalString(totals.gross),
    },
  }
}
export type BasketView = NonNullable<Awaited<ReturnType<typeof readBasket>>>
