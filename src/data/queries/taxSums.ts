import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { decimal, money, type Decimal, type Money } from '@/core/money'
import type { Treatment } from '@/core/tax'
import type { Db } from '../connect'
import { wholeMonths, type BrokenMonth } from './balances'
import { cutTo, inOrder, type Part } from './inOrder'
import { signed } from './taxFacts'

export interface TaxSumRow {
  readonly codeId: number
  /** None where a code has no components: nothing is charged by it. */
  readonly componentId: number | null
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
  readonly component: string | null
  readonly rate: Decimal
  readonly net: Money
  readonly amount: Money
}

/** Taxes of some days as their papers say them. */
const taxesOfDays = ({ from, to }: BrokenMonth): SQL => sql`
            select t.tax_code_id, t.component_id, ${signed(sql`t.net`)}, ${signed(sql`t.amount`)}
              from invoice i join invoice_tax t on t.invoice_id = i.id where i.status = 'issued' and i.on_day between ${from} and ${to}
            union all
            select tax_code_id, component_id, net, amount from tax_move where on_day between ${from} and ${to}`

const TAXES_BETWEEN = (after: SQL, before: SQL): SQL => sql`
            select from invoice where on_day > ${after} and on_day < ${before}
            union all select from tax_move where on_day > ${after} and on_day < ${before}`

/** Tax by code and component of what was issued in a span, credit notes taken off: whole months from the kept sums. */
export const sumTax = async (
  db: Db,
  span: { readonly from: Day; readonly to: Day },
  currency: string,
): Promise<TaxSumRow[]> => {
  const { firstMonth, endMonth, andBroken } = wholeMonths(span, TAXES_BETWEEN)
  const rows = await db.execute<{
    code_id: number
    component_id: number | null
    code: string
    name: string
    treatment: TaxSumRow['treatment']
    component: string | null
    rate: string | null
    net: string
    amount: string
  }>(sql`
    select c.id as code_id, k.id as component_id, c.code, c.name, c.treatment, k.name as component, k.rate::text as rate,
           sum(t.net)::text as net, sum(t.amount)::text as amount
      from (select tax_code_id, component_id, net, amount from tax_month where month >= ${firstMonth} and month < ${endMonth}
            ${andBroken(taxesOfDays)}) t
      join tax_code c on c.id = t.tax_code_id left join tax_component k on k.id = t.component_id
     group by c.id, k.id order by c.id, k.id`)
  return rows.map((r) => ({
    codeId: r.code_id,
    componentId: r.component_id,
    code: r.code,
    name: r.name,
    treatment: r.treatment,
    component: r.component,
    rate: decimal(r.rate ?? '0'),
    net: money(BigInt(r.net), currency),
    amount: money(BigInt(r.amount), currency),
  }))
}

/** Which of the tax of a span: of one code, of one component of it. */
export interface TaxedFilter {
  readonly from: Day
  readonly to: Day
  readonly code?: number
  readonly component?: number
}

export interface TaxedRow {
  readonly on: Day
  readonly text: string
  /** None where a document came to nothing and was not posted. */
  readonly entryId: number | null
  readonly sourceKind: string
  readonly sourceId: number | null
  readonly net: Money
  readonly amount: Money
}

const TAXED_ORDERS: Readonly<Record<string, SQL>> = {
  on: sql`x.on_day`,
  text: sql`plain_text(x.text)`,
  net: sql`x.net`,
  tax: sql`x.amount`,
}

/** The documents that `sumTax` adds up, the latest first where no order is asked for; credit notes are negative. */
export const listTaxed = async (
  db: Db,
  { from, to, code, component }: TaxedFilter,
  part: Part,
  currency: string,
): Promise<TaxedRow[]> => {
  const isOf = (x: SQL): SQL => sql`${code ? sql`${x}.tax_code_id = ${code}` : sql`true`}
                and ${component ? sql`${x}.component_id = ${component}` : sql`true`}`
  // Of each kind no more are needed than the page and those before it, and their days stand in an index.
  const cut = part.limit === undefined || part.order ? null : part.limit + (part.offset ?? 0)
  const newest = (x: SQL, then = sql``): SQL =>
    cut === null ? sql`` : sql`order by ${x}.on_day desc, ${x}.id desc ${then} limit ${cut}`
  const rows = await db.execute<{
    on_day: Day
    text: string
    entry_id: number | null
    source_kind: string
    source_id: number | null
    net: string
    amount: string
  }>(sql`
    select x.on_day::text, x.text, x.entry_id, x.source_kind, x.source_id, x.net::text, x.amount::text
      from ((select i.on_day, 1 as of, i.id as nth, t.id as part, coalesce(e.text, i.number) as text, i.entry_id, 'invoice' as source_kind, i.id as source_id,
                    ${signed(sql`t.net`)} as net, ${signed(sql`t.amount`)} as amount
               from invoice i join invoice_tax t on t.invoice_id = i.id left join entry e on e.id = i.entry_id
              where i.status = 'issued' and i.on_day between ${from} and ${to} and ${isOf(sql`t`)} ${newest(sql`i`, sql`, t.id desc`)})
            union all
            (select m.on_day, 2, m.id, 0, e.text, m.entry_id, e.source_kind, e.source_id, m.net, m.amount
               from tax_move m join entry e on e.id = m.entry_id
              where m.on_day between ${from} and ${to} and ${isOf(sql`m`)} ${newest(sql`m`)})) x
     order by ${inOrder(TAXED_ORDERS, part.order, sql`x.on_day desc, x.of, x.nth desc, x.part desc`)} ${cutTo(part)}`)
  return rows.map((r) => ({
    on: r.on_day,
    text: r.text,
    entryId: r.entry_id,
    sourceKind: r.source_kind,
    sourceId: r.source_id,
    net: money(BigInt(r.net), currency),
    amount: money(BigInt(r.amount), currency),
  }))
}
