import { sql, type SQL } from 'drizzle-orm'
import { monthStart, type Day } from '@/core/day'
import { YEAR_END, type ProfitBy } from '@/core/kinds'
import { COST_OF_GOODS } from '@/core/ledger'
import { money, type Money } from '@/core/money'
import type { Db } from '../connect'
import { readWholeMonths, wholeMonths } from './balances'
import { cutTo, inOrder, type Part } from './inOrder'

/** What something brought and cost between two days. An empty key: what belongs to none of them. */
export interface Earned {
  readonly key: string
  readonly name: string
  readonly income: Money
  readonly cost: Money
}

interface Row extends Record<string, unknown> {
  readonly key: string
  readonly name: string
  readonly income: string
  readonly cost: string
}

const asEarned =
  (currency: string) =>
  (r: Row): Earned => ({
    key: r.key,
    name: r.name,
    income: money(BigInt(r.income), currency),
    cost: money(BigInt(r.cost), currency),
  })

type Grouped = Exclude<ProfitBy, 'goods' | 'month'>

/** How what was earned is grouped: by what of a part `p` and its sale `s`; then, few rows as they are, what they are called. */
interface Group {
  readonly by: SQL
  readonly named: SQL
  readonly key: SQL
  readonly name: SQL
}
const GROUPS: Readonly<Record<Grouped, Group>> = {
  sale: {
    by: sql`p.sale_id`,
    named: sql`left join sale s on s.id = g.of left join customer c on c.id = s.customer_id`,
    key: sql`coalesce(s.id::text, '')`,
    name: sql`coalesce(s.number || ' ' || c.name, '')`,
  },
  customer: {
    by: sql`coalesce(s.customer_id, p.customer_id)`,
    named: sql`left join customer c on c.id = g.of`,
    key: sql`coalesce(c.id::text, '')`,
    name: sql`coalesce(c.name, '')`,
  },
  kind: { by: sql`coalesce(s.kind, '')`, named: sql``, key: sql`g.of`, name: sql`g.of` },
  channel: { by: sql`coalesce(s.channel, '')`, named: sql``, key: sql`g.of`, name: sql`g.of` },
}

interface Span {
  readonly from: Day
  readonly to: Day
}

/** Sales of one kind, channel or customer alone; with a customer, what is of no sale of theirs too. */
export interface EarnedOf {
  readonly kind?: string
  readonly channel?: string
  readonly customerId?: number
}

/** What sales are asked about; null where all are. */
const saleIs = ({ kind, channel, customerId }: EarnedOf): SQL | null => {
  const asked = [
    kind === undefined ? null : sql`s.kind = ${kind}`,
    channel === undefined ? null : sql`s.channel = ${channel}`,
    customerId === undefined ? null : sql`s.customer_id = ${customerId}`,
  ].filter((is) => is !== null)
  return asked.length === 0 ? null : sql`sale_id in (select s.id from sale s where ${sql.join(asked, sql` and `)})`
}

/** The same of what may be of no sale. */
const isOf = (of: EarnedOf): SQL => {
  const is = saleIs(of)
  const alone = of.kind === undefined && of.channel === undefined && of.customerId !== undefined
  if (!is) return sql`true`
  return alone ? sql`(${is} or (sale_id is null and customer_id = ${of.customerId}))` : is
}

type Months = Awaited<ReturnType<typeof readWholeMonths>>

/** Whether everything that was ever posted falls between two days: then sales need not be told apart by their months. */
const isEverything = async (db: Db, { from, to }: Span): Promise<boolean> => {
  const [row] = await db.execute<{ all: boolean }>(sql`
    select coalesce((select min(on_day) from entry) >= ${from} and (select max(on_day) from entry) <= ${to}, false) as all`)
  return row?.all ?? false
}

/** Sales whose months all lie among the whole ones of a span, with what they brought and cost altogether. */
const wholeSales = (isEver: boolean, { firstMonth, endMonth }: Months): SQL => sql`
    select sale_id, income, cost from earned_sale where sale_id is not null
    ${isEver ? sql`` : sql`and first_month >= ${firstMonth} and first_month < ${endMonth} and last_month < ${endMonth}`}`

/**
 * The rest of a span: what sales earned there that earned something outside its whole months too, or what is of no sale, by its customer.
 * Whole months come from kept sums, the days of broken ones from the lines themselves: every income account, and the accounts of cost of
 * goods, without the entries that close years, with costs that were posted by no sale and belong to one.
 */
const restOfSpan = ({ firstMonth, endMonth, andBroken }: Months): SQL => {
  const ofEntry = sql`e.sale_id, case when e.sale_id is null then e.customer_id end as customer_id`
  const ofDays = (within: (on: SQL) => SQL) => sql`
      select ${ofEntry}, case when a.kind = 'income' then -l.amount else 0 end, case when a.kind = 'expense' then l.amount else 0 end
        from entry_line l join account a on a.id = l.account_id join entry e on e.id = l.entry_id
       where ${within(sql`l.on_day`)} and e.source_kind <> ${YEAR_END} and (a.kind = 'income' or (a.kind = 'expense' and starts_with(a.code, ${COST_OF_GOODS})))
      union all
      select t.sale_id, null, 0, k.amount from cost_share k join entry e on e.id = k.entry_id join sale_line t on t.id = k.sale_line_id
       where ${within(sql`e.on_day`)}
      union all
      select ${ofEntry}, 0, -k.amount from cost_share k join entry e on e.id = k.entry_id
       where ${within(sql`e.on_day`)} and k.sale_line_id is not null`
  const crosses = (month: Day) => sql`last_month >= ${month} and first_month < ${month}`
  // The months of each are found by its number: guessing that there are many, the database would read those of all sales.
  return sql`
      select m.* from (select sale_id from earned_sale where first_month < last_month and (${crosses(firstMonth)} or ${crosses(endMonth)})) s
       cross join lateral (
         select m.sale_id, m.customer_id, m.income, m.cost from earned_month m
          where m.sale_id = s.sale_id and m.month >= ${firstMonth} and m.month < ${endMonth} offset 0) m
      union all
      select m.sale_id, m.customer_id, m.income, m.cost from earned_month m
       where m.month >= ${firstMonth} and m.month < ${endMonth} and m.sale_id is null
      ${andBroken((days) => ofDays((on) => sql`${on} between ${days.from} and ${days.to}`))}`
}

const EARNED_ORDERS: Readonly<Record<string, SQL>> = {
  name: sql`plain_text(name)`,
  income: sql`nullif(income, 0)`,
  cost: sql`nullif(cost, 0)`,
  profit: sql`income - cost`,
  margin: sql`case when income <> 0 then (income - cost)::numeric / income end`,
}

/** Which rows: those of no one thing left out, and a part of them in an order. */
export interface EarnedPart extends Part {
  readonly named?: boolean
}

/**
 * Sales, sorted and cut before they are named: there may be a hundred thousand of them. Rows alike stand by their numbers, so that pages
 * hold each of them once.
 */
const cutSales = (part: EarnedPart): SQL => {
  const order = sql`order by ${inOrder(EARNED_ORDERS, part.order, sql`income - cost desc, sale_id`)}`
  const { named, key, name } = GROUPS.sale
  return sql`
    select row_number() over (${order}) as n, ${key} as key, ${name} as name, g.income, g.cost
      from (select sale_id, sale_id as of, income, cost from of_sale
             where ${part.named ? sql`sale_id is not null` : sql`true`} ${order} ${cutTo(part)}) g ${named}`
}

/** A part of what was earned by whatever has few rows, or is sorted by name. */
const cutGroups = (part: EarnedPart): SQL => {
  const order = sql`order by ${inOrder(EARNED_ORDERS, part.order, sql`income - cost desc, length(nullif(key, '')), key`)}`
  return sql`
    select row_number() over (${order}) as n, key, name, income, cost from grouped
     where ${part.named ? sql`key <> ''` : sql`true`} ${order} ${cutTo(part)}`
}

/**
 * Parts of what was earned, grouped by what the ledger's entries are of; the most profitable first where no order is asked for. All of it
 * is read once, however many parts are asked for.
 */
export const listEarnedParts = async (
  db: Db,
  by: Grouped,
  span: Span,
  currency: string,
  parts: readonly EarnedPart[],
  narrowed: EarnedOf = {},
): Promise<readonly (readonly Earned[])[]> => {
  const { by: of, named, key, name } = GROUPS[by]
  const isEver = await isEverything(db, span)
  // Nothing lies before it: the month it begins in is a whole one, whatever its day.
  const months = await readWholeMonths(db, isEver ? { ...span, from: monthStart(span.from) } : span)
  const narrow = saleIs(narrowed)
  const whole = narrow
    ? sql`select * from (${wholeSales(isEver, months)}) w where ${narrow}`
    : wholeSales(isEver, months)
  const isCut = (part: EarnedPart): boolean => by === 'sale' && part.limit !== undefined && part.order?.by !== 'name'
  const cuts = parts.map(
    (part, i) => sql`select ${i}::int as part, x.* from (${isCut(part) ? cutSales(part) : cutGroups(part)}) x`,
  )
  const rest = sql`rest as materialized (
      select sale_id, customer_id, sum(income)::bigint as income, sum(cost)::bigint as cost from (${restOfSpan(months)}) r
       where ${isOf(narrowed)} group by 1, 2)`
  const ofSale = sql`of_sale as ${isEver ? sql`not` : sql``} materialized (
      select sale_id, income, cost from (
        ${whole} union all select sale_id, sum(income)::bigint, sum(cost)::bigint from rest group by 1) s
       where income <> 0 or cost <> 0)`
  const grouped = sql`grouped as (
      select ${key} as key, ${name} as name, g.income, g.cost
        from (select ${of} as of, sum(p.income) as income, sum(p.cost) as cost
                from (select sale_id, null::int as customer_id, income, cost from (${whole}) w union all select * from rest) p
                left join sale s on s.id = p.sale_id
               group by 1 having sum(p.income) <> 0 or sum(p.cost) <> 0) g ${named})`
  // What no part asks for would be planned all the same, which costs as much as reading a year.
  const asked = [rest, ...(parts.some(isCut) ? [ofSale] : []), ...(parts.every(isCut) ? [] : [grouped])]
  const rows = await db.execute<Row & { part: number }>(sql`
    with ${sql.join(asked, sql`, `)}
    select part, key, name, income::text, cost::text from (${sql.join(cuts, sql` union all `)}) r order by part, n`)
  return parts.map((_, i) => rows.filter((r) => r.part === i).map(asEarned(currency)))
}

/** All that was earned, in the order of its profit. */
export const listEarned = async (db: Db, by: Grouped, span: Span, currency: string): Promise<readonly Earned[]> =>
  (await listEarnedParts(db, by, span, currency, [{}]))[0] ?? []

/** What was earned month by month: whole months from the kept sums of accounts, broken ones from their lines. */
export const listEarnedByMonth = async (db: Db, span: Span, currency: string): Promise<readonly Earned[]> => {
  const { firstMonth, endMonth, andBroken } = wholeMonths(span)
  const lines = sql`select l.account_id, date_trunc('month', l.on_day)::date as month, l.amount from entry_line l`
  const rows = await db.execute<Row>(sql`
    with parts as (
      select m.account_id, m.month, m.debit - m.credit as amount from account_month m where m.month >= ${firstMonth} and m.month < ${endMonth}
      ${andBroken((days) => sql`${lines} where l.on_day between ${days.from} and ${days.to}`)}
      union all
      select l.account_id, date_trunc('month', l.on_day)::date, -l.amount from entry e join entry_line l on l.entry_id = e.id
       where e.source_kind = ${YEAR_END} and e.on_day between ${span.from} and ${span.to}
    )
    select to_char(p.month, 'YYYY-MM') as key, to_char(p.month, 'YYYY-MM') as name,
           coalesce(sum(-p.amount) filter (where a.kind = 'income'), 0)::text as income,
           coalesce(sum(p.amount) filter (where a.kind = 'expense' and starts_with(a.code, ${COST_OF_GOODS})), 0)::text as cost
      from parts p join account a on a.id = p.account_id where a.kind in ('income', 'expense')
     group by 1 having sum(p.amount) filter (where a.kind = 'income') <> 0
         or sum(p.amount) filter (where a.kind = 'expense' and starts_with(a.code, ${COST_OF_GOODS})) <> 0`)
  return rows.map(asEarned(currency))
}

/** What each thing brought and cost: invoiced and not ahead of handover, earned by handover, and what went and came back. */
export const listEarnedByGoods = async (db: Db, { from, to }: Span, currency: string): Promise<readonly Earned[]> => {
  const rows = await db.execute<Row>(sql`
    with billed as (
      select l.goods_id, sum(case i.kind when 'credit-note' then x.ahead - x.net else x.net - x.ahead end) as income, 0::numeric as cost
        from invoice i join invoice_line x on x.invoice_id = i.id join sale_line l on l.id = x.sale_line_id
       where i.status = 'issued' and i.on_day between ${from} and ${to} and l.goods_id is not null group by 1
    ), gone as (
      select l.goods_id, sum(x.earned) as income, sum(case h.direction when 'out' then x.cost else -x.cost end) as cost
        from handover h join handover_line x on x.handover_id = h.id join sale_line l on l.id = x.sale_line_id
       where h.on_day between ${from} and ${to} and l.goods_id is not null group by 1
    ), later as (
      select k.goods_id, 0::numeric as income, sum(k.amount) as cost from cost_share k join entry e on e.id = k.entry_id
       where e.on_day between ${from} and ${to} and k.goods_id is not null group by 1
    )
    select g.id::text as key, g.name, sum(b.income)::text as income, sum(b.cost)::text as cost
      from (select * from billed union all select * from gone union all select * from later) b join goods g on g.id = b.goods_id
     group by g.id, g.name having sum(b.income) <> 0 or sum(b.cost) <> 0`)
  return rows.map(asEarned(currency))
}

/** What a sale brought and cost up to now, as the ledger has it, with what was found out about its cost later. */
export const sumEarnedOfSale = async (
  db: Db,
  saleId: number,
  currency: string,
): Promise<{ readonly income: Money; readonly cost: Money }> => {
  const [row] = await db.execute<{ income: string; cost: string }>(sql`
    select coalesce(sum(case when a.kind = 'income' then -l.amount end), 0)::text as income,
           (coalesce(sum(case when a.kind = 'expense' and starts_with(a.code, ${COST_OF_GOODS}) then l.amount end), 0)
            + coalesce((select sum(k.amount) from cost_share k join sale_line s on s.id = k.sale_line_id where s.sale_id = ${saleId}), 0))::text as cost
      from entry e join entry_line l on l.entry_id = e.id join account a on a.id = l.account_id where e.sale_id = ${saleId}`)
  return { income: money(BigInt(row?.income ?? 0), currency), cost: money(BigInt(row?.cost ?? 0), currency) }
}
