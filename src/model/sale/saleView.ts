import type { Day } from '@/core/day'
import { money as m, roundToMoney, subtractMoney, toDecimalString, ZERO, type Decimal, type Money } from '@/core/money'
import type { TrailLine } from '@/core/sale'
import { editionOf } from './edition'
import type { Db } from '@/data/connect'
import { sumEarnedOfSale } from '@/data/queries/profit'
import { findGoods } from '@/data/queries/goods'
import type { Business } from '@/data/queries/business'
import type { Story, StoryLine } from './story'
import { readStories } from './readStories'
import { readTrailPapers, tellTrail } from './trail'
import { countedQuantity } from './worth'
import { readBoughtFor } from '../buying/boughtFor'

export const asText = (d: Decimal): string => d.toString()

/** What all that is ordered, or on the estimate, is thought to cost. */
const expectedCostOf = (s: Story): Money =>
  roundToMoney(
    s.lines.reduce((sum, l) => sum.plus(l.expectedCost.times(countedQuantity(s.sale, l))), ZERO),
    s.totals.gross.currency,
  )

/** A sale as the HTTP interface answers it, with what it was thought to cost, what it cost so far and what that leaves. */
export const saleView = async (db: Db, saleId: number, business: Business, today: Day) => {
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const [papers, names, bought, earned] = await Promise.all([
    readTrailPapers(db, story),
    namesOfParts(db, story),
    readBoughtFor(db, saleId),
    sumEarnedOfSale(db, saleId, business.currency),
  ])
  return {
    ...viewOfStory(story, tellTrail(story, papers), names),
    expectedCost: toDecimalString(expectedCostOf(story)),
    cost: toDecimalString(earned.cost),
    profit: toDecimalString(subtractMoney(earned.income, earned.cost)),
    purchaseOrders: bought,
  }
}

export type SaleView = NonNullable<Awaited<ReturnType<typeof saleView>>>

/** A line of it, with what was done of it so far. */
const lineView = (s: Story, l: StoryLine, names: ReadonlyMap<number, string>) => ({
  id: l.id,
  goodsId: l.goodsId,
  kind: l.kind,
  description: l.description,
  note: l.note,
  quantity: asText(l.quantity),
  unitPrice: asText(l.unitPrice),
  priceFrom: l.priceFrom,
  choice: l.choice,
  choiceGroup: l.choiceGroup,
  chosen: l.chosen,
  discountAmount: toDecimalString(m(l.discountAmount, s.totals.gross.currency)),
  expectedCost: asText(l.expectedCost),
  deliverTo: l.deliverTo,
  discountPercent: asText(l.discountPercent),
  taxCode: l.taxCode,
  /** The row of its tax code: the rates the sale has. */
  rateId: l.taxCodeId,
  net: toDecimalString(l.net),
  agreed: asText(l.agreed),
  setAside: asText(l.setAside),
  asideTurn: l.asideTurn,
  handedOver: asText(l.handedOver),
  billed: asText(l.billed),
  returned: asText(l.returned),
  credited: asText(l.credited),
  toHandOver: asText(l.toHandOver),
  toBill: asText(l.toBill),
  readyToBill: asText(l.readyToBill),
  ...(l.kind === 'kit'
    ? {
        parts: l.parts.map((p) => ({
          goodsId: p.goodsId,
          name: names.get(p.goodsId) ?? '',
          perKit: asText(p.perKit),
          agreed: asText(l.agreed.times(p.perKit)),
          handedOver: asText(l.handedOver.minus(l.returned).times(p.perKit).plus(p.ahead)),
          toHandOver: asText(p.toHandOver),
          available: asText(p.setAside),
        })),
      }
    : {}),
  short: l.fromShelf && s.sale.agreedOn ? asText(l.toHandOver.minus(l.setAside)) : '0',
})

/** What it comes to, and where its money stands. */
const figuresView = (s: Story) => ({
  totals: {
    net: toDecimalString(s.totals.net),
    tax: toDecimalString(s.totals.tax),
    gross: toDecimalString(s.totals.gross),
  },
  money: {
    received: toDecimalString(s.received),
    held: toDecimalString(s.held),
    billed: toDecimalString(s.billed),
    open: toDecimalString(s.open),
    late: toDecimalString(s.late),
    notBilled: toDecimalString(s.notBilled),
  },
})

/** What the parts of its kits are called. */
const namesOfParts = async (db: Db, { lines }: Story): Promise<ReadonlyMap<number, string>> => {
  const goods = await findGoods(
    db,
    lines.flatMap((l) => l.parts.map((p) => p.goodsId)),
  )
  return new Map([...goods.values()].map((g) => [g.id, g.name]))
}

const viewOfStory = (s: Story, trail: readonly TrailLine[], names: ReadonlyMap<number, string>) => ({
  id: s.sale.id,
  number: s.sale.number,
  customerId: s.sale.customerId,
  customer: s.sale.customerName,
  title: s.sale.title,
  stands: s.stands,
  startedOn: s.sale.startedOn,
  sentOn: s.sale.sentOn,
  validUntil: s.sale.validUntil,
  agreedOn: s.sale.agreedOn,
  purchaseOrder: s.sale.purchaseOrder,
  wantedBy: s.sale.wantedBy,
  channel: s.sale.channel,
  kind: s.sale.kind,
  note: s.sale.note,
  noteAbove: s.sale.noteAbove,
  discountPercent: asText(s.sale.discountPercent),
  discountAmount: toDecimalString(s.sale.discountAmount),
  rolledUp: s.sale.rolledUp,
  billTo: s.sale.billTo,
  deliverTo: s.sale.deliverTo,
  deliverNote: s.sale.deliverNote,
  yesBy: s.sale.yesBy,
  yesHow: s.sale.yesHow,
  copiedFromId: s.sale.copiedFromId,
  pricesIncludeTax: s.sale.pricesIncludeTax,
  taxRoundedPer: s.sale.taxRoundedPer,
  arrangement: s.sale.arrangement,
  edition: editionOf(s.sale, s.lines),
  lines: s.lines.map((l) => lineView(s, l, names)),
  ...figuresView(s),
  next: s.next.map((n) => ({
    action: n.action,
    why: n.why,
    ...(n.amount ? { amount: toDecimalString(n.amount) } : {}),
    ...(n.quantity ? { quantity: asText(n.quantity) } : {}),
  })),
  invoices: s.invoices.map((i) => ({
    id: i.id,
    number: i.number,
    kind: i.kind,
    status: i.status,
    on: i.on,
    gross: toDecimalString(i.gross),
  })),
  handovers: s.handovers.map((h) => ({ id: h.id, number: h.number, on: h.on, by: h.by, direction: h.direction })),
  trail: trail.map((t) => ({
    on: t.on,
    text: t.text,
    paper: t.paper,
    ...(t.amount ? { amount: toDecimalString(t.amount) } : {}),
    balance: toDecimalString(t.balance),
  })),
})
