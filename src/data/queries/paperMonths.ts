import { sql, type SQL } from 'drizzle-orm'
import { day, type Day } from '@/core/day'
import type { INVOICE_KINDS } from '@/core/kinds'
import { money, type Money } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '../connect'
import { wholeMonths } from './balances'

type InvoiceKind = (typeof INVOICE_KINDS)[number]

/** From a day, through a day, or ever. */
interface Days {
  readonly from?: Day
  readonly to?: Day
}

/** Later than any paper. */
const NEVER = day('9998-12-31')

/** Rows of papers of some days: their months from the kept sums, the broken months at both ends from the papers themselves. */
const partsOf = (
  { from, to = NEVER }: Days,
  table: 'invoice' | 'receipt',
  kept: SQL,
  papers: (days: SQL) => SQL,
): SQL => {
  const whole = wholeMonths(
    { from, to },
    (after, before) => sql`select from ${sql.identifier(table)} where on_day > ${after} and on_day < ${before}`,
  )
  return sql`
    select paper, count, net, tax, gross from paper_month where month >= ${whole.firstMonth} and month < ${whole.endMonth} and ${kept}
    ${whole.andBroken((broken) => papers(sql`on_day between ${broken.from} and ${broken.to}`))}`
}

export interface PaperSums {
  readonly count: number
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
}

/** How many invoices, counter sales and credit notes there are of some days, drafts among them, and what they come to; credit notes are taken off. */
export const sumInvoices = async (db: Db, days: Days, currency: string, only?: InvoiceKind): Promise<PaperSums> => {
  const parts = partsOf(
    days,
    'invoice',
    only ? sql`paper = ${only}` : sql`paper <> 'receipt'`,
    (on) => sql`select kind, 1, net, tax, gross from invoice where ${on} and ${only ? sql`kind = ${only}` : sql`true`}`,
  )
  const signed = (amount: SQL) =>
    sql`coalesce(sum(case when paper = 'credit-note' then -${amount} else ${amount} end), 0)::text`
  const [row] = await db.execute<{ count: number; net: string; tax: string; gross: string }>(sql`
    select coalesce(sum(count), 0)::int as count, ${signed(sql`net`)} as net, ${signed(sql`tax`)} as tax, ${signed(sql`gross`)} as gross
      from (${parts}) p`)
  const { count, net, tax, gross } = present(row)
  const amount = (text: string): Money => money(BigInt(text), currency)
  return { count, net: amount(net), tax: amount(tax), gross: amount(gross) }
}

/** How many receipts there are of some days and what they come to; those taken back count for nothing. */
export const sumReceived = async (
  db: Db,
  days: Days,
  currency: string,
): Promise<{ readonly count: number; readonly amount: Money }> => {
  const parts = partsOf(
    days,
    'receipt',
    sql`paper = 'receipt'`,
    (on) => sql`select 'receipt', 1, 0, 0, amount from receipt r
                 where ${on} and not exists (select from receipt_void v where v.receipt_id = r.id)`,
  )
  const [row] = await db.execute<{ count: number; amount: string }>(
    sql`select coalesce(sum(count), 0)::int as count, coalesce(sum(gross), 0)::text as amount from (${parts}) p`,
  )
  const { count, amount } = present(row)
  return { count, amount: money(BigInt(amount), currency) }
}
