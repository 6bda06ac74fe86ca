import { present } from '@/core/present'
import { sql, type SQL } from 'drizzle-orm'
import type { Db } from '../connect'
import { beginsWith } from './search'

export interface NumberedPaper {
  readonly name: string
  readonly number: string
  readonly customer: string
  readonly href: string
}

/** Papers whose number begins with what was typed: invoices, credit notes, counter sales, receipts. At most three of each. */
export const findNumbered = async (db: Db, typed: string): Promise<NumberedPaper[]> => {
  if (!/\d/.test(typed)) return []
  const begins = (number: SQL) => beginsWith(number, typed.trim())
  const rows = await db.execute<{ kind: string; id: number; number: string; customer: string }>(sql`
    (select i.kind, i.id, i.number, c.name as customer from invoice i join customer c on c.id = i.customer_id
      where ${begins(sql`i.number`)} order by i.id desc limit 3)
    union all
    (select 'receipt', r.id, r.number, c.name from receipt r join customer c on c.id = r.customer_id
      where ${begins(sql`r.number`)} or ${beginsWith(sql`r.number`, `R-${typed.trim()}`)} order by r.id desc limit 3)`)
  const names: Record<string, string> = {
    invoice: 'Invoice',
    counter: 'Counter sale',
    'credit-note': 'Credit note',
    receipt: 'Receipt',
  }
  return rows.map((r) => ({
    name: present(names[r.kind]),
    number: r.number,
    customer: r.customer,
    href: r.kind === 'receipt' ? `/receipts/${r.id}` : `/invoices/${r.id}`,
  }))
}

/** The sale with a number. */
export const findSaleNumbered = async (db: Db, number: number): Promise<number | null> =>
  (await db.execute<{ id: number }>(sql`select id from sale where number = ${number}`))[0]?.id ?? null
