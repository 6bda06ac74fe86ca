import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import { inMinor } from './inMinor'
import { cutTo, inOrder, type Part } from './inOrder'

interface Span {
  readonly from: Day
  readonly to: Day
}

/** Estimates first sent in a span, with what became of them. Sales that began as orders are not among them. */
export const listOffers = async (db: Db, span: Span, currency: string) => {
  const rows = await db.execute<{
    id: number
    number: number
    title: string
    sent_on: Day
    agreed_on: Day | null
    closed_as: 'declined' | 'cancelled' | null
    closed_reason: string
    valid_until: Day | null
    kind: string
    channel: string
    customer: string
    total: string
  }>(sql`
    select s.id, s.number, s.title, v.on_day::text as sent_on, s.agreed_on::text, s.closed_as, s.closed_reason, s.valid_until::text, s.kind, s.channel,
           c.name as customer, v.gross::text as total
      from sale_version v join sale s on s.id = v.sale_id join customer c on c.id = s.customer_id
     where v.kind = 'offered' and v.on_day between ${span.from} and ${span.to}
       and v.n = (select min(n) from sale_version f where f.sale_id = v.sale_id and f.kind = 'offered')
     order by v.on_day, v.id`)
  return rows.map((r) => ({
    saleId: r.id,
    number: r.number,
    title: r.title,
    sentOn: r.sent_on,
    agreedOn: r.agreed_on,
    closedAs: r.closed_as,
    closedReason: r.closed_reason,
    validUntil: r.valid_until,
    kind: r.kind,
    channel: r.channel,
    customer: r.customer,
    total: money(BigInt(r.total), currency),
  }))
}

/** Which of the orders of a span. */
export interface OrdersOf extends Span {
  readonly kind?: string
  readonly channel?: string
}

/** Sales that were agreed in a span and not called off. */
const inSpan = ({ from, to, kind, channel }: OrdersOf): SQL => sql`
  s.agreed_on between ${from} and ${to} and s.closed_as is null
  and ${kind === undefined ? sql`true` : sql`s.kind = ${kind}`} and ${channel === undefined ? sql`true` : sql`s.channel = ${channel}`}`

export interface SaleCostRow {
  readonly saleId: number
  readonly number: number
  readonly customer: string
  readonly title: string
  readonly offered: Money | null
  readonly agreed: Money
  readonly billed: Money
  /** Without tax: what margin is measured on. */
  readonly billedNet: Money
  readonly expectedCost: Money
  readonly actualCost: Money
}

/** The money side of sales agreed in a span, newest first: offered, agreed, billed, expected and actual cost. */
export const listSaleCosts = async (db: Db, span: Span, part: Part, currency: string): Promise<SaleCostRow[]> => {
  const rows = await db.execute<Record<string, string | number | null>>(sql`
    select s.id, s.number, c.name as customer, s.title, o.gross::text as offered, a.gross::text as agreed,
           coalesce(b.gross, 0)::text as billed, coalesce(b.net, 0)::text as net,
           ${inMinor(sql`coalesce(e.expected, 0)`, currency)}::bigint::text as expected,
           (coalesce(h.cost, 0) + coalesce(k.cost, 0))::text as actual
      from sale s join customer c on c.id = s.customer_id
      left join lateral (select gross from sale_version v where v.sale_id = s.id and v.kind = 'offered' order by n limit 1) o on true
      left join lateral (select gross from sale_version v where v.sale_id = s.id and v.kind <> 'offered' order by n desc limit 1) a on true
      left join lateral (select sum(case when kind = 'credit-note' then -gross else gross end) as gross,
                               sum(case when kind = 'credit-note' then -net else net end) as net
                          from invoice i where i.sale_id = s.id and i.status = 'issued') b on true
      left join lateral (select sum(l.expected_cost * l.agreed) as expected from sale_line l where l.sale_id = s.id) e on true
      left join lateral (select sum(case when h.direction = 'out' then l.cost else -l.cost end) as cost
                           from handover h join handover_line l on l.handover_id = h.id where h.sale_id = s.id) h on true
      left join lateral (select sum(k.amount) as cost
                           from cost_share k join sale_line l on l.id = k.sale_line_id where l.sale_id = s.id) k on true
     where ${inSpan(span)} and a.gross is not null
       and ${part.after ? sql`s.id < ${part.after}` : sql`true`}
     order by s.id desc ${cutTo(part)}`)
  const amount = (text: string | number | null | undefined): Money => money(BigInt(text ?? 0), currency)
  return rows.map((r) => ({
    saleId: r.id as number,
    number: r.number as number,
    customer: r.customer as string,
    title: r.title as string,
    offered: r.offered === null ? null : amount(r.offered),
    agreed: amount(r.agreed),
    billed: amount(r.billed),
    billedNet: amount(r.net),
    expectedCost: amount(r.expected),
    actualCost: amount(r.actual),
  }))
}

/** How many sales were agreed in a span and what they come to, by kind or channel. */
export const listSalesOf = (db: Db, span: Span, by: 'kind' | 'channel') =>
  db.execute<{ group: string; sales: number; total: string; billed: string; share: string }>(sql`
    select ${sql.identifier(by)} as group, count(*)::int as sales, sum(total)::text as total, sum(billed)::text as billed,
           coalesce(100.0 * sum(total) / nullif(sum(sum(total)) over (), 0), 0)::text as share
      from sale s where ${inSpan(span)} group by 1 order by sum(total) desc`)

export interface OrderInSpan {
  readonly saleId: number
  readonly number: number
  readonly customer: string
  readonly title: string
  readonly agreedOn: Day
  readonly total: Money
  readonly billed: Money
}

const ORDERS: Readonly<Record<string, SQL>> = {
  sale: sql`s.number`,
  customer: sql`plain_text(c.name)`,
  title: sql`plain_text(s.title)`,
  agreedOn: sql`s.agreed_on`,
  total: sql`s.total`,
  billed: sql`s.billed`,
}
/** The orders that `listSalesOf` adds up, the last agreed first where no order is asked for. */
export const listOrders = async (db: Db, of: OrdersOf, part: Part, currency: string): Promise<OrderInSpan[]> => {
  const rows = await db.execute<{
    id: number
    number: number
    customer: string
    title: string
    agreed_on: Day
    total: string
    billed: string
  }>(sql`
    select s.id, s.number, c.name as customer, s.title, s.agreed_on::text, s.total::text, s.billed::text
      from sale s join customer c on c.id = s.customer_id where ${inSpan(of)}
     order by ${inOrder(ORDERS, part.order, sql`s.agreed_on desc, s.id desc`)} ${cutTo(part)}`)
  return rows.map((r) => ({
    saleId: r.id,
    number: r.number,
    customer: r.customer,
    title: r.title,
    agreedOn: r.agreed_on,
    total: money(BigInt(r.total), currency),
    billed: money(BigInt(r.billed), currency),
  }))
}

/** What those orders come to. */
export const sumOrders = async (db: Db, of: OrdersOf, currency: string) => {
  const [row] = await db.execute<{ total: string; billed: string }>(sql`
    select coalesce(sum(s.total), 0)::text as total, coalesce(sum(s.billed), 0)::text as billed from sale s where ${inSpan(of)}`)
  return { total: money(BigInt(row?.total ?? 0), currency), billed: money(BigInt(row?.billed ?? 0), currency) }
}
