import { sql } from 'drizzle-orm'
import { isPositiveMoney, money, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { LayawayStands } from '@/core/plan'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listPlanSums, type PlanSums } from '@/data/queries/plans'
import { listLayawayIds } from '@/data/queries/sales'
import { readStories } from '@/model/sale/story'

/** All installment plans with what was paid of them, what is open and late, what comes next, and when they end. */
export const readPlanBook = async (db: Db, wish: { readonly ended: boolean }, business: Business, today: Day) => {
  const rows = await listPlanSums(db, wish, today, business.currency)
  const sum = (pick: (r: PlanSums) => Money): Money => sumMoney(rows.map(pick), business.currency)
  return {
    rows,
    totals: {
      financed: sum((r) => r.financed),
      paid: sum((r) => r.paid),
      open: sum((r) => r.open),
      late: sum((r) => r.late),
      unearned: sum((r) => r.unearned),
    },
  }
}

export interface LayawayRow {
  readonly saleId: number
  readonly number: number
  readonly customerId: number
  readonly customer: string
  readonly title: string
  readonly stands: LayawayStands
  readonly total: Money
  readonly held: Money
  readonly left: Money
  readonly behind: Money
  readonly behindSince: Day | null
  readonly next: { readonly due: Day; readonly open: Money } | null
  readonly ends: Day | null
}

/** All layaways (or one customer’s) whose goods still stand here: those behind first. */
export const readLayawayBook = async (db: Db, business: Business, today: Day, customerId?: number) => {
  const ids = await listLayawayIds(db, customerId)
  const stories = await readStories(db, ids, business, today)
  const rows = stories
    .flatMap((s): LayawayRow[] =>
      s.layaway
        ? [
            {
              saleId: s.sale.id,
              number: s.sale.number,
              customerId: s.sale.customerId,
              customer: s.sale.customerName,
              title: s.sale.title,
              stands: s.layaway.standing.stands,
              total: s.totals.gross,
              held: s.held,
              left: s.layaway.standing.left,
              behind: s.layaway.standing.behind,
              behindSince: s.layaway.standing.behindSince,
              next: s.layaway.standing.next,
              ends: s.layaway.plan.rows.at(-1)?.due ?? null,
            },
          ]
        : [],
    )
    .sort((a, b) => Number(isPositiveMoney(b.behind)) - Number(isPositiveMoney(a.behind)) || a.number - b.number)
  const sum = (pick: (r: LayawayRow) => Money): Money => sumMoney(rows.map(pick), business.currency)
  return {
    rows,
    totals: {
      total: sum((r) => r.total),
      held: sum((r) => r.held),
      left: sum((r) => r.left),
      behind: sum((r) => r.behind),
    },
  }
}

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
  return { asOf, lines, totals: { deposit: of('deposit'), layaway: of('layaway'), account: of('account'), all: of() } }
}

export const planBookView = async (db: Db, wish: { ended: boolean }, business: Business, today: Day) => {
  const book = await readPlanBook(db, wish, business, today)
  const t = toDecimalString
  return {
    rows: book.rows.map((r) => ({
      ...r,
      financed: t(r.financed),
      charge: t(r.charge),
      paid: t(r.paid),
      open: t(r.open),
      late: t(r.late),
      unearned: t(r.unearned),
      nextOpen: r.nextOpen && t(r.nextOpen),
    })),
    totals: Object.fromEntries(Object.entries(book.totals).map(([k, v]) => [k, t(v)])),
  }
}

export const layawayBookView = async (db: Db, business: Business, today: Day) => {
  const book = await readLayawayBook(db, business, today)
  const t = toDecimalString
  return {
    rows: book.rows.map((r) => ({
      ...r,
      total: t(r.total),
      held: t(r.held),
      left: t(r.left),
      behind: t(r.behind),
      next: r.next && { due: r.next.due, open: t(r.next.open) },
    })),
    totals: Object.fromEntries(Object.entries(book.totals).map(([k, v]) => [k, t(v)])),
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
