import { sql } from 'drizzle-orm'
import type { Day, Span } from '@/core/day'
import { money, type Money } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '../connect'

/** What the end of a month turns on, as it stands on its last day. */
export interface MonthFacts {
  /** The last day on which cash moved in the month, and the last on which it was counted since its beginning. */
  readonly cashOn: Day | null
  readonly countedOn: Day | null
  /** Sales with something handed over through the month that is not invoiced yet. */
  readonly notInvoiced: number
  /** Money on account of customers, and of how many. */
  readonly onAccount: Money
  readonly onAccountOf: number
  /** Bank accounts, and those with a statement that is done and reaches the last day, or the last on which anything moved. */
  readonly banks: number
  readonly banksDone: number
  /** A filed return reaches the last day. */
  readonly taxFiled: boolean
}

export const readMonthFacts = async (db: Db, { from, to }: Span, currency: string): Promise<MonthFacts> => {
  const [row] = await db.execute<{
    cash_on: Day | null
    counted_on: Day | null
    not_invoiced: number
    on_account: string
    on_account_of: number
    banks: number
    banks_done: number
    tax_filed: boolean
  }>(sql`
    select (select max(l.on_day)::text from entry_line l
             where l.account_id = (select a.id from account a where a.role = 'drawer') and l.on_day between ${from} and ${to}) as cash_on,
           (select max(c.on_day)::text from drawer_count c where c.on_day >= ${from}) as counted_on,
           (select count(distinct l.sale_id)::int from sale_line l join sale s on s.id = l.sale_id
             where l.handed_over > l.billed and s.closed_as is null
               and (select min(h.on_day) from handover h where h.sale_id = s.id) <= ${to}) as not_invoiced,
           coalesce((select sum(amount) from held_move where kind = 'account' and on_day <= ${to}), 0)::text as on_account,
           (select count(*)::int from (select customer_id from held_move where kind = 'account' and on_day <= ${to}
                                        group by 1 having sum(amount) <> 0) x) as on_account_of,
           (select count(*)::int from bank_account) as banks,
           (select count(*)::int from bank_account b where exists (select from bank_statement s
             where s.bank_account_id = b.id and s.done_on is not null
               and (s.through >= ${to} or s.through >= ${from} and not exists (select from entry_line l
                     where l.account_id = b.account_id and l.on_day > s.through and l.on_day <= ${to})))) as banks_done,
           exists (select from tax_return r where r.filed_on is not null and r.through >= ${to}) as tax_filed`)
  const r = present(row)
  return {
    cashOn: r.cash_on,
    countedOn: r.counted_on,
    notInvoiced: r.not_invoiced,
    onAccount: money(BigInt(r.on_account), currency),
    onAccountOf: r.on_account_of,
    banks: r.banks,
    banksDone: r.banks_done,
    taxFiled: r.tax_filed,
  }
}
