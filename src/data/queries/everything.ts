import { sql } from 'drizzle-orm'
import type { Db } from '../connect'

/** What belongs to the owner, in the order in which it could be read in again. Secrets stay. */
const TABLES = [
  'account', 'tax_code', 'tax_component', 'tax_area', 'price_level', 'customer', 'address', 'contact', 'place', 'goods', 'goods_part', 'price', 'supplier', 'goods_supplier', 'sale', 'sale_line', 'sale_version', 'deposit_request', 'next_mark', 'repeat', 'repeat_run',
  'entry', 'entry_line', 'stock_count', 'handover', 'handover_line', 'stock_move', 'invoice', 'invoice_line', 'invoice_tax', 'due', 'receipt', 'receipt_void', 'refund', 'due_fill', 'held_move', 'post', 'post_template', 'paper_layout', 'card_payment',
] as const // prettier-ignore

/** All rows of all the owner's tables, as text and numbers. Amounts are minor units as text. */
export const readEverything = async (db: Db): Promise<Record<string, unknown>> => {
  const [business] = await db.execute(
    sql`select name, currency, opened_on::text, prices_include_tax, tax_rounded_per, closed_through::text, address, phone, email, header, footer, conditions, colour, paper_size, kinds, estimate_days from business`,
  )
  const all: Record<string, unknown> = { format: 'iron-till-everything', version: 1, business }
  for (const table of TABLES)
    all[table] = await db.execute(sql`select * from ${sql.identifier(table)} order by 1`)
  all.file = await db.execute(
    sql`select id, name, type, owner_kind, owner_id, added_on::text, encode(body, 'base64') as base64 from file order by id`,
  )
  return all
}
