import { monthStart, type Day } from '@/core/day'
import { decimal, money, toDecimal, toDecimalString, type Decimal, type Money } from '@/core/money'
import { marginPercent, tallyOffers, type OfferFate, type OfferTally } from '@/core/sale'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import type { Part } from '@/data/queries/inOrder'
import {
  listOffers,
  listOrders,
  listSaleCosts,
  listSalesOf,
  sumOrders,
  type OrderInSpan,
  type OrdersOf,
  type SaleCostRow,
} from '@/data/queries/salesReports'

export const OFFER_GROUPS = ['month', 'kind', 'channel', 'customer', 'reason'] as const
export type OfferGroup = (typeof OFFER_GROUPS)[number]

interface Span {
  readonly from: Day
  readonly to: Day
}

/** An estimate that was sent, with what became of it and the group it is counted in. */
export interface SentOffer extends OfferFate {
  readonly saleId: number
  readonly number: number
  readonly customer: string
  readonly title: string
  readonly reason: string
}

/** Estimates first sent in a span; of those that were lost alone, where they are grouped by what they were lost to. */
export const readSentOffers = async (
  db: Db,
  span: Span,
  by: OfferGroup,
  business: Business,
  today: Day,
): Promise<SentOffer[]> =>
  (await listOffers(db, span, business.currency))
    .map((o) => {
      const lapsed = !o.agreedOn && !o.closedAs && o.validUntil !== null && o.validUntil < today
      const reason = o.closedAs ? o.closedReason || 'No reason given' : lapsed ? 'Expired without an answer' : ''
      const group = by === 'month' ? monthStart(o.sentOn).slice(0, 7) : by === 'reason' ? reason : o[by]
      const { saleId, number, customer, title, sentOn, agreedOn, total } = o
      const lost = o.closedAs !== null || lapsed
      return { group, saleId, number, customer, title, sentOn, agreedOn, lost, reason, total }
    })
    .filter((f) => by !== 'reason' || (f.lost && f.agreedOn === null))

/** How many estimates became orders: by month sent, kind, channel or customer, or what they were lost to. */
export const readOffers = async (
  db: Db,
  span: Span,
  by: OfferGroup,
  business: Business,
  today: Day,
): Promise<OfferTally[]> => {
  const fates = await readSentOffers(db, span, by, business, today)
  const tallies = tallyOffers(fates, business.currency)
  return by === 'month' ? tallies.sort((a, b) => (a.group < b.group ? -1 : 1)) : tallies.sort((a, b) => b.sent - a.sent)
}

export const offersView = async (...args: Parameters<typeof readOffers>) =>
  (await readOffers(...args)).map((t) => ({
    ...t,
    sentAmount: toDecimalString(t.sentAmount),
    agreedAmount: toDecimalString(t.agreedAmount),
    rate: t.rate?.toString() ?? null,
    days: t.days?.toString() ?? null,
  }))

/** With what was first offered, agreed last and billed; and what it was thought to cost, and did. */
export interface SaleCost extends SaleCostRow {
  /** Of what was billed without tax, in percent; null where nothing was. */
  readonly margin: Decimal | null
}

/** Estimated against agreed against billed against actual cost, by sale, agreed in a span of days. */
export const readSaleCosts = async (
  db: Db,
  span: Span,
  business: Business,
  part: { readonly limit?: number; readonly after?: number },
): Promise<SaleCost[]> =>
  (await listSaleCosts(db, span, part, business.currency)).map((r) => ({
    ...r,
    margin: marginPercent(r.billedNet, toDecimal(r.actualCost), 1),
  }))

export const saleCostsView = async (...args: Parameters<typeof readSaleCosts>) =>
  (await readSaleCosts(...args)).map((r) => ({
    ...r,
    offered: r.offered && toDecimalString(r.offered),
    agreed: toDecimalString(r.agreed),
    billed: toDecimalString(r.billed),
    billedNet: toDecimalString(r.billedNet),
    expectedCost: toDecimalString(r.expectedCost),
    actualCost: toDecimalString(r.actualCost),
    margin: r.margin?.toString() ?? null,
  }))

export interface SalesBy {
  readonly group: string
  readonly sales: number
  readonly total: Money
  readonly billed: Money
  /** Of what was agreed altogether, in percent to one place. */
  readonly share: Decimal
}

/** Agreed and billed in a span of days, by kind or by channel. */
export const readSalesBy = async (db: Db, span: Span, by: 'kind' | 'channel', currency: string): Promise<SalesBy[]> =>
  (await listSalesOf(db, span, by)).map((r) => ({
    group: r.group,
    sales: r.sales,
    total: money(BigInt(r.total), currency),
    billed: money(BigInt(r.billed), currency),
    share: decimal(r.share).round(1),
  }))

export type { OrderInSpan }

/** The orders of a span, of a kind or channel, and what all of them come to. */
export const readOrders = async (db: Db, of: OrdersOf, part: Part, currency: string) => {
  const [rows, sums] = await Promise.all([listOrders(db, of, part, currency), sumOrders(db, of, currency)])
  return { rows, sums }
}
