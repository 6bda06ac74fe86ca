import { present } from '@/core/present'
import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import { PLANNED_ANEW, type Db } from '../connect'
import { cutTo, inOrder, type Part } from './inOrder'
import { sumInvoices, type PaperSums } from './paperMonths'
import { customersNamed, holdsWords, withWords, type Place, type Searched } from './search'
import { invoice } from '../schema'

export const INVOICE_STATES = ['open', 'late', 'paid', 'credited', 'draft'] as const
export type InvoiceState = (typeof INVOICE_STATES)[number]

export interface InvoiceFilter extends Searched {
  readonly customerId?: number
  readonly goodsId?: number
  readonly state?: InvoiceState
  readonly kind?: 'invoice' | 'counter' | 'credit-note'
  readonly from?: Day
  readonly to?: Day
  readonly least?: Money
  readonly most?: Money
}

export interface RegisterRow {
  readonly id: number
  readonly number: string | null
  readonly kind: 'invoice' | 'counter' | 'credit-note'
  readonly on: Day
  readonly customerId: number
  readonly customer: string
  readonly saleId: number
  readonly saleNumber: number
  readonly title: string
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
  readonly open: Money
  readonly due: Day | null
}

/** What is open of each invoice: few rows, however many invoices there are. */
const OPEN_DUES = sql`left join (select invoice_id, sum(amount - filled) as open, min(due_on) as due from due where filled < amount group by invoice_id) o on o.invoice_id = invoice.id`
const OPEN = sql`coalesce(o.open, 0)`
const NAMES = sql`join customer on customer.id = invoice.customer_id join sale on sale.id = invoice.sale_id`
// Looked up for each row, not joined: where many fit, the first page is there before all sales were.
const TITLE = sql`(select s.title from sale s where s.id = invoice.sale_id)`
const CREDITED = sql`exists (select from invoice n where n.credits_id = invoice.id and n.status = 'issued')`

const PLACES: readonly Place[] = [
  { column: sql`invoice.id`, table: sql`invoice`, texts: [sql`number`] },
  { column: sql`invoice.sale_id`, table: sql`sale`, texts: [sql`title`] },
  customersNamed(sql`invoice.customer_id`),
]
export const narrowRegister = (db: Db, filter: InvoiceFilter): Promise<InvoiceFilter> => withWords(db, filter, PLACES)

/** Invoices some due of which is open: found by these few, not among all invoices. */
const withDues = (which: SQL): SQL =>
  sql`invoice.id = any(array(select invoice_id from due where filled < amount and ${which}))`

const where = (f: InvoiceFilter, today: Day): SQL => {
  const state = {
    open: sql`${withDues(sql`true`)} and invoice.status = 'issued' and ${OPEN} > 0`,
    late: sql`${withDues(sql`due_on < ${today}`)} and invoice.status = 'issued'`,
    paid: sql`invoice.status = 'issued' and invoice.kind <> 'credit-note' and ${OPEN} = 0`,
    credited: sql`invoice.status = 'issued' and ${CREDITED}`,
    draft: sql`invoice.status = 'draft'`,
  }
  const parts: (SQL | undefined)[] = [
    f.state ? sql`(${state[f.state]})` : sql`true`,
    f.customerId ? sql`invoice.customer_id = ${f.customerId}` : undefined,
    f.goodsId
      ? sql`exists (select from invoice_line l where l.invoice_id = invoice.id and l.goods_id = ${f.goodsId})`
      : undefined,
    f.kind ? sql`invoice.kind = ${f.kind}` : undefined,
    f.from ? sql`invoice.on_day >= ${f.from}` : undefined,
    f.to ? sql`invoice.on_day <= ${f.to}` : undefined,
    f.least ? sql`invoice.gross >= ${f.least.minor}` : undefined,
    f.most ? sql`invoice.gross <= ${f.most.minor}` : undefined,
    holdsWords(f.words, { customerId: invoice.customerId, columns: [invoice.number, TITLE] }),
  ]
  return sql.join(
    parts.filter((p) => p !== undefined),
    sql` and `,
  )
}

const ORDERS: Readonly<Record<string, SQL>> = {
  number: sql`invoice.number`,
  kind: sql`invoice.kind`,
  on: sql`invoice.on_day`,
  customer: sql`plain_text(customer.name)`,
  sale: sql`sale.number`,
  title: sql`plain_text(sale.title)`,
  net: sql`invoice.net`,
  tax: sql`invoice.tax`,
  gross: sql`invoice.gross`,
  open: OPEN,
  due: sql`o.due`,
}

/** Invoices, counter sales and credit notes that fit, the newest first where no order is asked for. */
export const listRegister = async (
  db: Db,
  filter: InvoiceFilter,
  part: Part,
  about: { readonly today: Day; readonly currency: string },
): Promise<RegisterRow[]> => {
  const narrowed = await narrowRegister(db, filter)
  const rows = await db.execute<
    Record<'customer' | 'title' | 'net' | 'tax' | 'gross' | 'open', string> & {
      id: number
      number: string | null
      kind: RegisterRow['kind']
      on_day: Day
      customer_id: number
      sale_id: number
      sale_number: number
      due: Day | null
    }
  >(sql`${narrowed.words ? sql.raw(PLANNED_ANEW) : sql``}
    select invoice.id, invoice.number, invoice.kind, invoice.on_day::text, invoice.customer_id, customer.name as customer, invoice.sale_id,
           sale.number as sale_number, sale.title, invoice.net::text, invoice.tax::text, invoice.gross::text, ${OPEN}::text as open, o.due::text as due
      from invoice ${NAMES} ${OPEN_DUES}
     where ${where(narrowed, about.today)} ${part.after ? sql`and invoice.id < ${part.after}` : sql``}
     order by ${inOrder(ORDERS, part.order, sql`invoice.id desc`)} ${cutTo(part)}`)
  const amount = (text: string): Money => money(BigInt(text), about.currency)
  return rows.map((r) => ({
    id: r.id,
    number: r.number,
    kind: r.kind,
    on: r.on_day,
    customerId: r.customer_id,
    customer: r.customer,
    saleId: r.sale_id,
    saleNumber: r.sale_number,
    title: r.title,
    net: amount(r.net),
    tax: amount(r.tax),
    gross: amount(r.gross),
    open: amount(r.open),
    due: r.due,
  }))
}

/** What is still owed of invoices that fit: of those that are open alone, however many there are. */
const sumOpen = async (db: Db, { kind, from, to }: InvoiceFilter): Promise<string> => {
  const [row] = await db.execute<{ open: string }>(sql`
    select coalesce(sum(d.amount - d.filled), 0)::text as open from due d
     where d.filled < d.amount and d.invoice_id is not null and ${
       kind || from || to
         ? sql`(select ${kind ? sql`i.kind = ${kind}` : sql`true`} and ${from ? sql`i.on_day >= ${from}` : sql`true`}
                       and ${to ? sql`i.on_day <= ${to}` : sql`true`} from invoice i where i.id = d.invoice_id)`
         : sql`true`
     }`)
  return present(row).open
}

/** What all that fits comes to: credit notes are taken off. Null where too many hold the words typed, unless they are to be added up all the same. */
export const sumRegister = async (
  db: Db,
  filter: InvoiceFilter,
  about: { readonly today: Day; readonly currency: string },
  { evenBroad = false }: { readonly evenBroad?: boolean } = {},
): Promise<(PaperSums & { readonly open: Money }) | null> => {
  const amount = (text: string): Money => money(BigInt(text), about.currency)
  const { from, to, kind, ...others } = filter
  if (Object.values(others).every((value) => value === undefined)) {
    const [sums, open] = await Promise.all([
      sumInvoices(db, { from, to }, about.currency, kind),
      sumOpen(db, { kind, from, to }),
    ])
    return { ...sums, open: amount(open) }
  }
  const narrowed = await narrowRegister(db, filter)
  if (narrowed.words?.fits === null && !evenBroad) return null
  const [row] = await db.execute<Record<'net' | 'tax' | 'gross' | 'open', string> & { count: number }>(sql`
    select count(*)::int as count,
           coalesce(sum(case when kind = 'credit-note' then -net else net end), 0)::text as net,
           coalesce(sum(case when kind = 'credit-note' then -tax else tax end), 0)::text as tax,
           coalesce(sum(case when kind = 'credit-note' then -gross else gross end), 0)::text as gross, coalesce(sum(open), 0)::text as open
      from (select invoice.kind, invoice.net, invoice.tax, invoice.gross, ${OPEN} as open
              from invoice ${OPEN_DUES}
             where ${where(narrowed, about.today)}) t`)
  const { count, net, tax, gross, open } = present(row)
  return { count, net: amount(net), tax: amount(tax), gross: amount(gross), open: amount(open) }
}
