import { basketsList } from '@/lists/baskets'
import { customersList } from '@/lists/customers'
import { goodsList } from '@/lists/goods'
import { dayOf, twelveMonthsUntil } from '@/lists/days'
import { deliveriesList } from '@/lists/deliveries'
import { readDeliveries, sumDeliveries } from '@/model/parcel/deliveries'
import { stockAgesList } from '@/lists/stockAges'
import { readStockAges } from '@/model/goods/stockAges'
import { hrefOfEarner, profitColumns, profitList } from '@/lists/profit'
import { readProfit, readProfitPage, type ProfitRow } from '@/model/sale/profit'
import { parcelsList } from '@/lists/parcels'
import { readParcels } from '@/model/parcel/parcels'
import { picksList } from '@/lists/picks'
import { readPicks } from '@/model/parcel/picks'
import { postList } from '@/lists/post'
import { repeatsList } from '@/lists/repeats'
import {
  offersColumns,
  offersList,
  ordersList,
  saleCostsList,
  salesByChannelList,
  salesByColumns,
  salesByKindList,
  sentOffersList,
} from '@/lists/saleReports'
import { fateOf } from '@/core/sale'
import { salesList } from '@/lists/sales'
import { backordersList } from '@/lists/backorders'
import { stockCardList } from '@/lists/stockCard'
import { stockOnColumns, stockOnList } from '@/lists/stockOn'
import { readBackorders } from '@/model/goods/backorders'
import { readStockOn, readWorthiest } from '@/model/goods/stockOn'
import { turnoverList } from '@/lists/turnover'
import { readTurnover } from '@/model/goods/turnover'
import { usualList } from '@/lists/usual'
import { ordersGoods, readGoodsList } from '@/model/goods/goods'
import { readStockCard } from '@/model/goods/goodsPage'
import { readCustomers } from '@/model/people/customers'
import { readPost } from '@/model/post/post'
import { readRepeats } from '@/model/sale/repeats'
import { readOffers, readOrders, readSaleCosts, readSalesBy, readSentOffers } from '@/model/sale/reports'
import { readOpenBaskets, readSaleList } from '@/model/sale/saleList'
import { readUsual } from '@/model/sale/usualGoods'
import { given, pageInItsOrder, pageOfAll, pageOfQuery, partOf, reader } from './reader'

export const sales = reader(salesList, async (where, asked, size) => {
  const { customer, stands, ...rest } = asked.filter
  const which = stands === 'all' ? null : stands
  const filter = { ...given({ ...rest, stands: which }), customerId: customer ?? undefined }
  const rows = await readSaleList(where, filter, partOf(asked, size, salesList.opensBy))
  return pageOfQuery(salesList.columns, rows, size)
})

export const customers = reader(customersList, async ({ db, business, today }, asked, size) => {
  const { show, ...rest } = asked.filter
  const filter = { ...given(rest), owing: show === 'owing' }
  const rows = await readCustomers(db, filter, partOf(asked, size, customersList.opensBy), business, today)
  return pageOfQuery(customersList.columns, rows, size)
})

export const goods = reader(goodsList, async (where, asked, size) => {
  const { show, ...rest } = asked.filter
  const filter = { ...given(rest), low: show === 'low', retired: show === 'retired' }
  // What lies on the shelf and what is set aside of it is reckoned, not kept: to sort by it, all that fit are read.
  if (!ordersGoods(asked.sort.by))
    return pageOfAll(goodsList, await readGoodsList(where.db, filter, {}, where), asked, size, where)
  const part = partOf(asked, size, goodsList.opensBy)
  return pageOfQuery(goodsList.columns, await readGoodsList(where.db, filter, part, where), size)
})

export const post = reader(postList, async (where, asked, size) => {
  const part = partOf(asked, size, postList.opensBy)
  return pageOfQuery(postList.columns, await readPost(where, given(asked.filter), part), size)
})

export const offers = reader(offersList, async (where, asked, size) => {
  const { db, business, today } = where
  const kept = { ...twelveMonthsUntil(asked.filter, today), by: asked.filter.by ?? ('month' as const) }
  const rows = await readOffers(db, kept, kept.by, business, today)
  return pageOfAll({ ...offersList, columns: offersColumns(kept) }, rows, asked, size, where)
})

export const sentOffers = reader(sentOffersList, async (where, asked, size) => {
  const { db, business, today } = where
  const { by, group, fate } = asked.filter
  const rows = (
    await readSentOffers(db, twelveMonthsUntil(asked.filter, today), by ?? 'month', business, today)
  ).filter((r) => (group === null || r.group === group) && (fate === null || fateOf(r) === fate))
  return pageOfAll(sentOffersList, rows, asked, size, where)
})

export const saleCosts = reader(saleCostsList, async (where, asked, size) => {
  const span = twelveMonthsUntil(asked.filter, where.today)
  return pageInItsOrder(saleCostsList, asked, size, where, (part) =>
    readSaleCosts(where.db, span, where.business, part),
  )
})

const salesBy = (list: typeof salesByKindList | typeof salesByChannelList, by: 'kind' | 'channel') =>
  reader(list, async (where, asked, size) => {
    const span = twelveMonthsUntil(asked.filter, where.today)
    const rows = await readSalesBy(where.db, span, by, where.currency)
    return pageOfAll({ ...list, columns: salesByColumns(by, span) }, rows, asked, size, where)
  })

export const salesByKind = salesBy(salesByKindList, 'kind')
export const salesByChannel = salesBy(salesByChannelList, 'channel')

export const orders = reader(ordersList, async (where, asked, size) => {
  const { kind, channel } = given(asked.filter)
  const of = { ...twelveMonthsUntil(asked.filter, where.today), kind, channel }
  const { rows, sums } = await readOrders(where.db, of, partOf(asked, size, ordersList.opensBy), where.currency)
  return pageOfQuery(ordersList.columns, rows, size, { sums })
})

export const repeats = reader(repeatsList, async (where, asked, size) =>
  pageOfAll(repeatsList, await readRepeats(where), asked, size, where),
)

export const usual = reader(usualList, async (where, asked, size) => {
  const rows = (await readUsual(where.db, asked.filter.customer ?? 0, where.business, where.today, 500)) ?? []
  return pageOfAll(usualList, rows, asked, size, where)
})

export const baskets = reader(basketsList, async (where, asked, size) =>
  pageInItsOrder(basketsList, asked, size, where, (part) => readOpenBaskets(where, part)),
)

export const stockOn = reader(stockOnList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  const { goods: of } = asked.filter
  const usual = asked.sort.by === stockOnList.opensBy.by && asked.sort.down === stockOnList.opensBy.down
  const isPage = of === null && usual && size !== 'all'
  // One more than the page, to know whether more follow.
  const stock = isPage
    ? await readWorthiest(where, asOf, asked.page * size + 1)
    : await readStockOn(where, asOf, of === null ? undefined : [of])
  const list = { columns: stockOnColumns({ ...stock, one: of !== null }), opensBy: stockOnList.opensBy }
  const page = pageOfAll(list, stock.rows, asked, size, where)
  if (!isPage) return { ...page, asOf, stock }
  const { count: _counted, ...rest } = page
  return { ...rest, sums: { value: stock.value }, asOf, stock }
})

export const parcels = reader(parcelsList, async (where, asked, size) =>
  pageOfAll(parcelsList, await readParcels(where, given(asked.filter)), asked, size, where),
)

export const deliveries = reader(deliveriesList, async (where, asked, size) =>
  pageInItsOrder(
    deliveriesList,
    asked,
    size,
    where,
    (part) => readDeliveries(where, given(asked.filter), part),
    () => sumDeliveries(where, given(asked.filter)),
  ),
)

export const stockAges = reader(stockAgesList, async (where, asked, size) => {
  const { asOf } = dayOf(asked.filter, where.today)
  const rows = await readStockAges(where, { asOf, placeId: asked.filter.place ?? undefined })
  return { ...pageOfAll(stockAgesList, rows, asked, size, where), asOf }
})

export const profit = reader(profitList, async (where, asked, size) => {
  const span = twelveMonthsUntil(asked.filter, where.today)
  const { kind, channel, customer: customerId } = given(asked.filter)
  // What one of them is made of are its sales.
  const by = (kind ?? channel ?? customerId) === undefined ? (asked.filter.by ?? 'sale') : 'sale'
  const list = { columns: profitColumns(by, span), opensBy: profitList.opensBy }
  const asEarners = (rows: readonly ProfitRow[]) =>
    rows.filter((r) => r.key !== '').map((r) => ({ ...r, href: hrefOfEarner(by, r.key, span) }))
  if (by !== 'goods' && by !== 'month') {
    const part = partOf(asked, size, profitList.opensBy)
    const { rows, sums, ends } = await readProfitPage(where.db, by, span, where.currency, part, {
      kind,
      channel,
      customerId,
    })
    return { ...pageOfQuery(list.columns, rows, size, { sums }), span, earners: asEarners(ends) }
  }
  const rows = await readProfit(where.db, by, span, where.currency)
  const earners = by === 'month' ? [] : asEarners(rows)
  return { ...pageOfAll(list, rows, asked, size, where), span, earners }
})

export const turnover = reader(turnoverList, async (where, asked, size) => {
  const span = twelveMonthsUntil(asked.filter, where.today)
  return { ...pageOfAll(turnoverList, await readTurnover(where, span), asked, size, where), span }
})

export const picks = reader(picksList, async (where, asked, size) =>
  pageInItsOrder(picksList, asked, size, where, (part) => readPicks(where, given(asked.filter), part)),
)

export const backorders = reader(backordersList, async (where, asked, size) => {
  const { goods: of } = asked.filter
  const rows = (await readBackorders(where)).filter((b) => of === null || b.goodsId === of)
  return pageOfAll(backordersList, rows, asked, size, where)
})

export const stockCard = reader(stockCardList, async (where, asked, size) => {
  const { goods: of, ...pieces } = asked.filter
  return pageOfAll(stockCardList, await readStockCard(where, of ?? 0, given(pieces)), asked, size, where)
})
