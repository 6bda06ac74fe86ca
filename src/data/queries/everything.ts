import { sql } from 'drizzle-orm'
import type { Db } from '../connect'

/** What belongs to the owner, in the order in which it could be read in again. Secrets stay. */
const TABLES = [
  'account', 'tax_code', 'tax_component', 'customer', 'address', 'place', 'goods', 'goods_part', 'sale', 'sale_line', 'sale_version', 'deposit_request',
  'entry', 'entry_line', 'stock_count', 'handover', 'handover_line', 'stock_move', 'invoice', 'invoice_line', 'invoice_tax', 'due', 'receipt', 'receipt_void', 'refund', 'due_fill', 'held_move',
] as const // prettier-ignore

/** All rows of all the owner's tables, as text and numbers. Amounts are minor units as text. */
export const readEverything = async (db: Db): Promise<Record<string, unknown>> => {
  const [business] = await db.execute(
    sql`select name, currency, opened_on::text, prices_include_tax, tax_rounded_per, closed_through::text, address, footer from business`,
  )
  const all: Record<string, unknown> = { format: 'iron-till-everything', version: 1, business }
  for (const table of TABLES)
    all[table] = await db.execute(sql`select * from ${sql.identifier(table)} order by 1`)
  return all
}
