import { sumRole } from '@/data/queries/balances'
import { type Money, money, sumMoney, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Day } from '@/core/day'
import { sql } from 'drizzle-orm'

export interface HeldLine {
  readonly customerId: number
  readonly customer: string
  readonly saleId: number | null
  readonly saleNumber: number | null
  readonly title: string
  readonly kind: 'deposit' | 'layaway' | 'account'
  readonly amount: Money
}

/** Whose money is held as of a day, by sale and customer. Its sums equal the three accounts, on every day. */
export const readHeldReport = async (db: Db, asOf: Day, currency: string) => {
  const rows = await db.execute<{
    customer_id: number
    name: string
    sale_id: number | null
    number: number | null
    title: string | null
    kind: HeldLine['kind']
    amount: string
  }>(sql`
    select m.customer_id, c.name, m.sale_id, s.number, s.title, m.kind, sum(m.amount)::text as amount
      from (select customer_id, sale_id, kind, amount from held where amount > 0
            union all
            select customer_id, sale_id, kind, -amount from held_move where on_day > ${asOf}) m
      join customer c on c.id = m.customer_id left join sale s on s.id = m.sale_id
     group by m.customer_id, c.name, m.sale_id, s.number, s.title, m.kind having sum(m.amount) <> 0
     order by lower(c.name), m.customer_id, s.number nulls last, m.kind`)
  const lines = rows.map((r): HeldLine => ({
    customerId: r.customer_id,
    customer: r.name,
    saleId: r.sale_id,
    saleNumber: r.number,
    title: r.title ?? '',
    kind: r.kind,
    amount: money(BigInt(r.amount), currency),
  }))
  const of = (kind?: HeldLine['kind']): Money =>
    sumMoney(
      lines.filter((l) => !kind || l.kind === kind).map((l) => l.amount),
      currency,
    )
  const [deposit, layaway, account] = await Promise.all([
    sumRole(db, 'customer-deposits', asOf, currency),
    sumRole(db, 'layaway-deposits', asOf, currency),
    sumRole(db, 'on-account', asOf, currency),
  ])
  return {
    asOf,
    lines,
    books: { deposit, layaway, account },
    totals: { deposit: of('deposit'), layaway: of('layaway'), account: of('account'), all: of() },
  }
}

export const heldReportView = async (db: Db, asOf: Day, currency: string) => {
  const report = await readHeldReport(db, asOf, currency)
  return {
    asOf,
    rows: report.lines.map((l) => ({ ...l, amount: toDecimalString(l.amount) })),
    totals: Object.fromEntries(Object.entries(report.totals).map(([k, v]) => [k, toDecimalString(v)])),
  }
}
