import { sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { sumBuying } from '@/data/queries/bill'
import { listNotInvoiced } from '@/data/queries/notInvoiced'
import type { TestShop } from '../shop'

/** Every running balance that is below zero on any day: held money, shelves, and what each due is made of. */
export const neverBelowZero = async (db: TestShop['db']): Promise<unknown[]> => [
  ...(await db.execute(sql`
    select * from (select customer_id, sale_id, kind, on_day, sum(sum(amount)) over (partition by customer_id, sale_id, kind order by on_day) as held
                     from held_move group by 1, 2, 3, 4) m where held < 0`)),
  ...(await db.execute(sql`
    select * from (select goods_id, place_id, batch_id, on_day, sum(sum(quantity)) over w as quantity
                     from stock_move group by 1, 2, 3, 4 window w as (partition by goods_id, place_id, batch_id order by on_day)) m where quantity < 0`)),
  ...(await db.execute(sql`
    with moved as (select m.goods_id, case g.costing when 'fifo' then m.place_id end as place_id,
                          case when g.costing <> 'average' then m.batch_id end as batch_id, m.on_day, m.quantity, m.value
                     from stock_move m join goods g on g.id = m.goods_id)
    select * from (select goods_id, place_id, batch_id, on_day, sum(sum(quantity)) over w as quantity, sum(sum(value)) over w as value
                     from moved group by 1, 2, 3, 4 window w as (partition by goods_id, place_id, batch_id order by on_day)) m
     where quantity < 0 or value < 0`)),
  ...(await db.execute(sql`
    select * from (select m.batch_id, m.on_day, sum(sum(m.quantity)) over w as there
                     from stock_move m join batch b on b.id = m.batch_id where b.serial is not null
                    group by 1, 2 window w as (partition by m.batch_id order by m.on_day)) m where there not in (0, 1)`)),
  ...(await db.execute(sql`
    select * from (select f.bill_id, f.on_day, b.gross, sum(sum(f.amount)) over (partition by f.bill_id order by f.on_day) as filled
                     from bill_fill f join bill b on b.id = f.bill_id group by 1, 2, 3) m where filled < 0 or filled > gross`)),
  ...(await db.execute(sql`
    select * from (select supplier_id, on_day, sum(sum(amount)) over (partition by supplier_id order by on_day) as ahead
                     from ahead_move group by 1, 2) m where ahead < 0`)),
  ...(await db.execute(sql`
    select * from (select f.due_id, f.on_day, d.amount, sum(sum(f.amount)) over w as filled,
                          sum(coalesce(sum(f.amount) filter (where f.kind in ('receipt', 'held', 'void', 'released')), 0)) over w as paid,
                          sum(coalesce(sum(f.amount) filter (where f.kind = 'discount'), 0)) over w as discount,
                          sum(coalesce(sum(f.amount) filter (where f.kind = 'write-off'), 0)) over w as written_off
                     from due_fill f join due d on d.id = f.due_id group by f.due_id, f.on_day, d.amount
                   window w as (partition by f.due_id order by f.on_day)) m
     where filled < 0 or filled > amount or paid < 0 or discount < 0 or written_off < 0`)),
]

/** Invoices and credit notes below zero, and invoices of which more was credited than there was: of a line, a component, or its base. */
export const neverTooMuchCredited = async (db: TestShop['db']): Promise<unknown[]> => [
  ...(await db.execute(sql`
    select c.id, c.gross from invoice c left join invoice_line l on l.invoice_id = c.id left join invoice_tax t on t.invoice_id = c.id
     where c.gross < 0 or l.net < 0 or l.tax < 0 or t.amount < 0 or t.net < 0`)),
  ...(await db.execute(sql`
    select i.id from invoice i join invoice c on c.credits_id = i.id group by i.id having sum(c.gross) > i.gross or sum(c.tax) > i.tax`)),
  ...(await db.execute(sql`
    select t.invoice_id, t.component_id, t.amount, t.net, sum(x.amount) as credited, sum(x.net) as base
      from invoice_tax t join invoice c on c.credits_id = t.invoice_id
      join invoice_tax x on x.invoice_id = c.id and x.tax_code_id = t.tax_code_id and x.component_id is not distinct from t.component_id
     group by t.id having sum(x.amount) > t.amount or sum(x.net) > t.net or (sum(x.net) = t.net) <> (sum(x.net) = t.net and sum(x.amount) = t.amount)`)),
]

/** Lines that came whose tallies are not what their papers say, or that are worth something with nothing of them open. */
export const neverMiscounted = async (db: TestShop['db']): Promise<unknown[]> => [
  ...(await db.execute(sql`
    select l.id from goods_received_line l
     where l.returned <> coalesce((select sum(r.quantity) from goods_returned_line r where r.received_line_id = l.id), 0)
        or l.returned_value <> coalesce((select sum(r.value) from goods_returned_line r where r.received_line_id = l.id), 0)
        or l.billed = l.quantity and l.billed_value <> l.value and l.returned = 0
        or l.quantity - l.billed - l.returned + l.credited = 0 and l.value - l.billed_value - l.returned_value + l.credited_value <> 0`)),
  ...(await db.execute(sql`
    select b.id from bill b where b.voided_on is not null and exists (select from supplier_credit c where c.bill_id = b.id and c.voided_on is null)`)),
  ...(await db.execute(sql`
    select c.bill_id from supplier_credit c join bill b on b.id = c.bill_id where c.voided_on is null group by c.bill_id, b.id having sum(c.net) > b.net or sum(c.tax) > b.tax`)),
  // What a sale earned altogether is the sum of its months, the first and the last of which are known.
  ...(await db.execute(sql`
    (select sale_id, sum(income), sum(cost), min(month), max(month) from earned_month group by 1
     except select sale_id, income, cost, first_month, last_month from earned_sale)
    union all
    (select sale_id, income, cost, first_month, last_month from earned_sale
     except select sale_id, sum(income), sum(cost), min(month), max(month) from earned_month group by 1)`)),
  // What is paid of a bill is what its payments say; of a voided one it is nothing.
  ...(await db.execute(sql`
    select b.id from bill b
     where b.filled <> coalesce((select sum(f.amount) from bill_fill f where f.bill_id = b.id), 0) or b.voided_on is not null and b.filled <> 0`)),
  // What is kept of a due is what its fills say.
  ...(await db.execute(sql`
    select d.id from due d
     where d.last_on is distinct from (select max(f.on_day) from due_fill f where f.due_id = d.id)
        or d.paid_on is distinct from (select max(f.on_day) from due_fill f where f.due_id = d.id and f.amount > 0)
        or d.in_money is distinct from coalesce((select bool_and(f.kind in ('receipt', 'held', 'discount')) from due_fill f where f.due_id = d.id and f.amount > 0), true)`)),
  // What the papers of a month come to is what they say.
  ...(await db.execute(sql`
    select paper, month from (
      select paper, month, count, net, tax, gross from paper_month
      union all select kind, date_trunc('month', on_day)::date, -1, -net, -tax, -gross from invoice
      union all select 'receipt', date_trunc('month', on_day)::date, -1, 0, 0, -amount from receipt r
                 where not exists (select from receipt_void v where v.receipt_id = r.id)) x
     group by 1, 2 having sum(count) <> 0 or sum(net) <> 0 or sum(tax) <> 0 or sum(gross) <> 0`)),
  // Tax by month is what issued documents and moves of tax say.
  ...(await db.execute(sql`
    select month, tax_code_id, component_id from (
      select month, tax_code_id, component_id, net, amount from tax_month
      union all
      select date_trunc('month', i.on_day)::date, t.tax_code_id, t.component_id,
             case i.kind when 'credit-note' then t.net else -t.net end, case i.kind when 'credit-note' then t.amount else -t.amount end
        from invoice i join invoice_tax t on t.invoice_id = i.id where i.status = 'issued'
      union all
      select date_trunc('month', on_day)::date, tax_code_id, component_id, -net, -amount from tax_move) x
     group by 1, 2, 3 having sum(net) <> 0 or sum(amount) <> 0`)),
  // What stands across from cash by month is what the lines of entries that moved cash say.
  ...(await db.execute(sql`
    select account_id, month, sum(debit) as debit, sum(credit) as credit from (
      select account_id, month, cash_debit as debit, cash_credit as credit from account_month
      union all
      select l.account_id, date_trunc('month', l.on_day)::date, -greatest(l.amount, 0), -greatest(-l.amount, 0)
        from entry_line l join account a on a.id = l.account_id where not a.is_cash
         and exists (select from entry_line o join account c on c.id = o.account_id where o.entry_id = l.entry_id and c.is_cash)) x
     group by 1, 2 having sum(debit) <> 0 or sum(credit) <> 0`)),
  // What a line of an order comes to is kept to the cent.
  ...(await db.execute(sql`select id from purchase_order_line where net <> round(quantity * unit_cost * 100)`)),
  // What of a thing is on hand is what its pools and its shelves hold together.
  ...(await db.execute(sql`
    select goods_id from (
      select goods_id, quantity, quantity as there, value from on_hand
      union all select goods_id, -quantity, 0, -value from pool
      union all select goods_id, 0, -quantity, 0 from shelf) x
     group by 1 having sum(quantity) <> 0 or sum(there) <> 0 or sum(value) <> 0`)),
  // What is to go to the bank are checks and cards that stand and are not there.
  ...(await db.execute(sql`
    select id, count(*) from (
      select receipt_id as id, method, on_day from to_bank
      union all
      select r.id, r.method, r.on_day from receipt r
       where r.method in ('cheque', 'card') and not exists (select from banked b where b.receipt_id = r.id)
         and not exists (select from receipt_void v where v.receipt_id = r.id)) x
     group by id, method, on_day having count(*) <> 2`)),
]

/** How far the list of what came and is not invoiced is from what the documents say altogether, on a day. */
export const notInvoicedIsOff = async (db: TestShop['db'], asOf: Day): Promise<bigint> => {
  const [rows, { received }] = await Promise.all([listNotInvoiced(db, asOf, 'USD'), sumBuying(db, asOf, 'USD')])
  return rows.reduce((sum, r) => sum + r.value.minor, 0n) - received.minor
}
