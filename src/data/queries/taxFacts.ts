import { sql, type SQL } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { money, type Money } from '@/core/money'
import { present } from '@/core/present'
import { rowsBy } from '@/core/rowsBy'
import { sharesOfDiscount, sharesOfPayments, type TaxBasis, type TaxFact, type TaxSide } from '@/core/tax'
import type { Db } from '../connect'
import { isOneOf } from './search'

/** Which facts: of a span, and of entries of earlier days that came to light after their days were filed. */
export interface TaxSpan {
  readonly from: Day
  readonly through: Day
  readonly late: readonly number[]
}

interface Row extends Record<string, unknown> {
  readonly entry_id: number
  readonly on_day: Day
  readonly tax_code_id: number | null
  readonly component_id: number | null
  readonly net: string
  readonly tax: string
}

const inSpan = (x: SQL, { from, through, late }: TaxSpan): SQL =>
  sql`(${x}.on_day between ${from} and ${through} ${late.length > 0 ? sql`or ${isOneOf(sql`${x}.entry_id`, late)}` : sql``})
      and not exists (select from tax_return_entry r where r.entry_id = ${x}.entry_id)`

/** Facts as they stand in rows, but for those of papers that came to nothing and posted none. */
const read = async (db: Db, rows: SQL, span: TaxSpan, side: TaxSide, currency: string): Promise<TaxFact[]> =>
  (
    await db.execute<Row>(sql`
      select x.entry_id, x.on_day::text, x.tax_code_id, x.component_id, sum(x.net)::text as net, sum(x.tax)::text as tax
        from (${rows}) x where x.entry_id is not null and ${inSpan(sql`x`, span)} group by 1, 2, 3, 4 order by 2, 1, 3, 4`)
  ).map((r) => ({
    entryId: r.entry_id,
    on: r.on_day,
    side,
    taxCodeId: r.tax_code_id,
    componentId: r.component_id,
    net: money(BigInt(r.net), currency),
    tax: money(BigInt(r.tax), currency),
  }))

/** What an invoice `i` says of its tax: a credit note takes it off. */
export const signed = (column: SQL): SQL => sql`case when i.kind = 'credit-note' then -${column} else ${column} end`
const invoices = (which: SQL): SQL => sql`
  select i.entry_id, i.on_day, t.tax_code_id, t.component_id, ${signed(sql`t.net`)} as net, ${signed(sql`t.amount`)} as tax
    from invoice i join invoice_tax t on t.invoice_id = i.id left join invoice c on c.id = i.credits_id
   where i.status = 'issued' and ${which}`
const moves = (which: SQL): SQL =>
  sql`select entry_id, on_day, tax_code_id, component_id, net, amount from tax_move where ${which}`

/** What was paid at once: at the counter, and given back there. */
const AT_THE_COUNTER = sql`(i.kind = 'counter' or c.kind = 'counter')`

/** Lines of bills, and of what suppliers credited on them; the same the other way round where they are void. */
const BILLED = sql`
  select b.entry_id, b.voided_on, b.on_day, l.tax_code_id, l.net, l.tax from bill b join bill_line l on l.bill_id = b.id
  union all
  select c.entry_id, c.voided_on, c.on_day, l.tax_code_id, -x.net, -x.tax
    from supplier_credit c join supplier_credit_line x on x.credit_id = c.id join bill_line l on l.id = x.bill_line_id`
const PURCHASES = sql`
  select x.entry_id, x.on_day, x.tax_code_id, null::int as component_id, x.net, x.tax from (${BILLED}) x
   where x.tax_code_id is not null or x.tax <> 0
  union all
  select e.id, e.on_day, x.tax_code_id, null, -x.net, -x.tax from (${BILLED}) x join entry e on e.reverses_id = x.entry_id
   where x.voided_on is not null and (x.tax_code_id is not null or x.tax <> 0)`

const WITHOUT_BILL = sql`select entry_id, on_day, tax_code_id, null::int as component_id, net, tax from purchase_tax`

/** Money on something with tax in it: a due of an invoice, or a bill. */
interface Payment {
  readonly paper: number
  readonly entryId: number
  readonly on: Day
  readonly amount: Money
}
interface Part {
  readonly paper: number
  readonly of: Money
  readonly taxCodeId: number | null
  readonly componentId: number | null
  readonly net: Money
  readonly tax: Money
}

const paymentsOf = async (db: Db, rows: SQL, currency: string): Promise<Payment[]> =>
  (
    await db.execute<{ paper: number; entry_id: number; on_day: Day; amount: string }>(
      sql`select x.paper, x.entry_id, x.on_day::text, x.amount::text from (${rows}) x order by x.paper, x.on_day, x.id`,
    )
  ).map((r) => ({ paper: r.paper, entryId: r.entry_id, on: r.on_day, amount: money(BigInt(r.amount), currency) }))

const partsOf = async (db: Db, rows: SQL, currency: string): Promise<Part[]> =>
  (
    await db.execute<{
      paper: number
      of: string
      code: number | null
      component: number | null
      net: string
      tax: string
    }>(
      sql`select x.paper, x.of::text, x.code, x.component, x.net::text, x.tax::text from (${rows}) x order by x.paper, x.id`,
    )
  ).map((r) => ({
    paper: r.paper,
    of: money(BigInt(r.of), currency),
    taxCodeId: r.code,
    componentId: r.component,
    net: money(BigInt(r.net), currency),
    tax: money(BigInt(r.tax), currency),
  }))

const DUE_MONEY = sql`
  select d.invoice_id as paper, f.id, f.entry_id, f.on_day, f.amount from due_fill f join due d on d.id = f.due_id
   where f.kind in ('receipt', 'held', 'void', 'released') and d.invoice_id is not null and f.entry_id is not null`
/** Money on bills: a void takes back what it had paid, without the discount that goes with it. */
const BILL_MONEY = sql`
  select f.bill_id as paper, f.id, f.entry_id, f.on_day,
         case when f.kind = 'void' and f.payment_id is not null
              then -(select coalesce(sum(p.amount), 0) from bill_fill p where p.payment_id = f.payment_id and p.bill_id = f.bill_id and p.kind = 'payment')
              else f.amount end as amount
    from bill_fill f join entry e on e.id = f.entry_id
   where f.kind in ('payment', 'ahead') or f.kind = 'void' and (f.payment_id is not null or e.reverses_id is null)`
/** What was let off for paying early, and what of it is owed again. */
const BILL_DISCOUNTS = sql`
  select f.bill_id as paper, f.id, f.entry_id, f.on_day, f.amount from bill_fill f where f.kind = 'discount'
  union all
  select f.bill_id, f.id, e.id, e.on_day, -f.amount from bill_fill f join entry e on e.reverses_id = f.entry_id where f.kind = 'discount'`

const touched = (payments: SQL, span: TaxSpan): SQL =>
  sql`select y.paper from (${payments}) y where ${inSpan(sql`y`, span)}`

const SALE_PARTS = (papers: SQL): SQL => sql`
  select t.invoice_id as paper, t.id, (select sum(d.amount) from due d where d.invoice_id = t.invoice_id) as of,
         t.tax_code_id as code, t.component_id as component, t.net, t.amount as tax
    from invoice_tax t where t.invoice_id in (${papers})`
const BILL_PARTS = (papers: SQL): SQL => sql`
  select l.bill_id as paper, l.id, b.gross as of, l.tax_code_id as code, null::int as component, l.net, l.tax
    from bill_line l join bill b on b.id = l.bill_id where l.bill_id in (${papers})`

interface Shared {
  readonly side: TaxSide
  readonly payments: SQL
  readonly parts: (papers: SQL) => SQL
  readonly share: (
    part: Part,
    parts: readonly Part[],
    payments: readonly Payment[],
  ) => readonly { readonly net: Money; readonly tax: Money }[]
}

/** The part of tax and net in each payment of a span, of all payments of its paper in their order. */
const readShared = async (
  db: Db,
  { side, payments, parts, share }: Shared,
  span: TaxSpan,
  currency: string,
): Promise<TaxFact[]> => {
  const papers = touched(payments, span)
  const [all, whole, wanted] = await Promise.all([
    paymentsOf(db, sql`select z.* from (${payments}) z where z.paper in (${papers})`, currency),
    partsOf(db, parts(papers), currency),
    db.execute<{ entry_id: number }>(
      sql`select distinct y.entry_id from (${payments}) y where ${inSpan(sql`y`, span)}`,
    ),
  ])
  const isWanted = new Set(wanted.map((w) => w.entry_id))
  const paymentsBy = rowsBy(all, (p) => p.paper)
  const partsBy = rowsBy(whole, (p) => p.paper)
  return [...partsBy].flatMap(([paper, mine]) => {
    const paid = paymentsBy.get(paper) ?? []
    return mine
      .filter((p) => p.taxCodeId !== null || p.tax.minor !== 0n)
      .flatMap((part) => {
        const shares = share(part, mine, paid)
        return paid.flatMap((p, i): TaxFact[] => {
          const { net, tax } = present(shares[i])
          if (!isWanted.has(p.entryId) || (net.minor === 0n && tax.minor === 0n)) return []
          return [
            { entryId: p.entryId, on: p.on, side, taxCodeId: part.taxCodeId, componentId: part.componentId, net, tax },
          ]
        })
      })
  })
}

const byPayments: Shared['share'] = (part, _, payments) => {
  const amounts = payments.map((p) => p.amount)
  const nets = sharesOfPayments(part.net, part.of, amounts)
  return sharesOfPayments(part.tax, part.of, amounts).map((tax, i) => ({ tax, net: present(nets[i]) }))
}
const byDiscount: Shared['share'] = (part, parts, discounts) =>
  discounts.map((d) => present(sharesOfDiscount(d.amount, parts)[parts.indexOf(part)]))

/** The facts of tax of a span that are in no filed return. */
export const listPlainTaxFacts = async (
  db: Db,
  basis: TaxBasis,
  span: TaxSpan,
  currency: string,
): Promise<TaxFact[]> => {
  const all =
    basis === 'invoiced'
      ? [
          read(db, sql`${invoices(sql`true`)} union all ${moves(sql`true`)}`, span, 'sales', currency),
          read(db, sql`${PURCHASES} union all ${WITHOUT_BILL}`, span, 'purchases', currency),
          readShared(
            db,
            { side: 'purchases', payments: BILL_DISCOUNTS, parts: BILL_PARTS, share: byDiscount },
            span,
            currency,
          ),
        ]
      : [
          read(db, WITHOUT_BILL, span, 'purchases', currency),
          read(
            db,
            sql`${invoices(AT_THE_COUNTER)} union all ${moves(sql`why in ('ahead', 'bank', 'reverse-charge')`)}`,
            span,
            'sales',
            currency,
          ),
          readShared(db, { side: 'sales', payments: DUE_MONEY, parts: SALE_PARTS, share: byPayments }, span, currency),
          readShared(
            db,
            { side: 'purchases', payments: BILL_MONEY, parts: BILL_PARTS, share: byPayments },
            span,
            currency,
          ),
        ]
  return (await Promise.all(all)).flat()
}

/** Entries of days before one that were posted after their days had been filed: the next return has them. */
export const listLateEntries = async (db: Db, from: Day): Promise<number[]> =>
  (
    await db.execute<{ id: number }>(sql`
      select e.id from tax_return r join entry e on e.on_day between r.from_day and r.through and e.id > r.last_entry_id
       where r.filed_on is not null and e.on_day < ${from} and not exists (select from tax_return_entry x where x.entry_id = e.id)`)
  ).map((r) => r.id)
