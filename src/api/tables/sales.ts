import { type Asked, type Table, everyPage, PAGE, m, spanOf } from '@/api/tables/table'
import { listSaleIds } from '@/data/queries/sales'
import { readStories } from '@/model/sale/readStories'
import { OFFER_GROUPS, readOffers, type SaleCost, readSaleCosts } from '@/model/sale/reports'
import { type PostRow, listPost } from '@/data/queries/post'
import { listRepeats } from '@/data/queries/repeats'

export const sales = async ({ db, business, today }: Asked): Promise<Table> => {
  const ids = await everyPage((last: number | undefined) => listSaleIds(db, {}, { limit: PAGE, after: last }, today))
  const rows: string[][] = []
  for (let at = 0; at < ids.length; at += PAGE) {
    for (const s of await readStories(db, ids.slice(at, at + PAGE), business, today)) {
      rows.push([
        String(s.sale.number),
        s.sale.customerName,
        s.sale.title,
        s.stands,
        s.sale.startedOn,
        s.sale.agreedOn ?? '',
        m(s.bar.total),
        m(s.received),
        m(s.held),
        m(s.billed),
        m(s.open),
        m(s.late),
      ])
    }
  }
  return {
    columns: [
      'number',
      'customer',
      'title',
      'stands',
      'startedOn',
      'agreedOn',
      'total',
      'received',
      'held',
      'billed',
      'open',
      'late',
    ],
    rows,
  }
}

export const offers = async (asked: Asked): Promise<Table> => {
  const { db, business, today, query } = asked
  const by = OFFER_GROUPS.find((g) => g === query.get('by')) ?? 'month'
  const rows = await readOffers(db, spanOf(asked), by, business, today)
  return {
    columns: [by, 'sent', 'agreed', 'lost', 'open', 'ratePercent', 'daysToYes', 'sentAmount', 'agreedAmount'],
    rows: rows.map((r) => [
      r.group,
      ...[r.sent, r.agreed, r.lost, r.open].map(String),
      r.rate?.toString() ?? '',
      r.days?.toString() ?? '',
      m(r.sentAmount),
      m(r.agreedAmount),
    ]),
  }
}

export const saleCosts = async (asked: Asked): Promise<Table> => {
  const span = spanOf(asked)
  const rows = await everyPage((last: SaleCost | undefined) =>
    readSaleCosts(asked.db, span, asked.business, { limit: PAGE, after: last?.saleId }),
  )
  return {
    columns: [
      'sale',
      'customer',
      'title',
      'offered',
      'agreed',
      'billed',
      'billedNet',
      'expectedCost',
      'actualCost',
      'marginPercent',
    ],
    rows: rows.map((r) => [
      String(r.number),
      r.customer,
      r.title,
      r.offered ? m(r.offered) : '',
      ...[r.agreed, r.billed, r.billedNet, r.expectedCost, r.actualCost].map(m),
      r.margin?.toString() ?? '',
    ]),
  }
}

export const post = async ({ db }: Asked): Promise<Table> => {
  const rows = await everyPage((last: PostRow | undefined) => listPost(db, {}, { limit: PAGE, after: last?.id }))
  return {
    columns: ['written', 'sent', 'to', 'customer', 'paper', 'subject', 'state', 'problem'],
    rows: rows.map((p) => [
      p.writtenOn,
      p.sentOn ?? '',
      p.recipient,
      p.customerName,
      p.paper,
      p.subject,
      p.state,
      p.problem,
    ]),
  }
}

export const repeats = async ({ db, business }: Asked): Promise<Table> => ({
  columns: ['customer', 'title', 'every', 'makes', 'byItself', 'next', 'until', 'times', 'done', 'total'],
  rows: (await listRepeats(db, {}, business.currency)).map((r) => [
    r.customerName,
    r.title,
    r.every,
    r.makes,
    r.byItself ? 'yes' : 'no',
    r.nextOn ?? '',
    r.untilDay ?? '',
    r.times === null ? '' : String(r.times),
    String(r.done),
    m(r.total),
  ]),
})
