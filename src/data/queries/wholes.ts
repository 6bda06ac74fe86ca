import { sql, type SQL } from 'drizzle-orm'
import type { Db } from '../connect'
import { findUse } from './uses'

/** What has a page of its own and may have been added by mistake. */
export type Whole = 'customer' | 'supplier' | 'goods'

type Column = readonly [table: string, column: string]

/** What goes with it: that says more of it, and is nothing by itself. */
export const OWN_PARTS: Readonly<Record<Whole, readonly Column[]>> = {
  customer: [
    ['address', 'customer_id'],
    ['contact', 'customer_id'],
    ['customer_link', 'customer_id'],
  ],
  supplier: [
    ['supplier_address', 'supplier_id'],
    ['supplier_contact', 'supplier_id'],
  ],
  goods: [
    ['price', 'goods_id'],
    ['goods_supplier', 'goods_id'],
    ['goods_part', 'kit_id'],
    // Where nothing ever moved they say that there is none.
    ['shelf', 'goods_id'],
    ['pool', 'goods_id'],
    ['on_hand', 'goods_id'],
  ],
}

/** What cannot be without it, in words, where it is found soonest first. */
export const USED_BY: Readonly<Record<Whole, readonly (readonly [what: string, ...Column])[]>> = {
  customer: [
    ['A sale', 'sale', 'customer_id'],
    ['An invoice', 'invoice', 'customer_id'],
    ['An invoice', 'due', 'customer_id'],
    ['A receipt', 'receipt', 'customer_id'],
    ['A refund', 'refund', 'customer_id'],
    ['Held money', 'held', 'customer_id'],
    ['Held money', 'held_move', 'customer_id'],
    ['Held money', 'held_transfer', 'customer_id'],
    ['A card payment', 'card_payment', 'customer_id'],
    ['A late charge', 'extra_charge', 'customer_id'],
    ['A promise to pay', 'pay_promise', 'customer_id'],
    ['An installment plan', 'plan', 'customer_id'],
    ['A reminder', 'reminder', 'customer_id'],
    ['A write-off', 'write_off', 'customer_id'],
    ['An email', 'post', 'customer_id'],
    ['A supplier', 'supplier', 'customer_id'],
    ['A merged record', 'customer', 'joined_to_id'],
    ['An entry', 'entry', 'customer_id'],
  ],
  supplier: [
    ['A bill', 'bill', 'supplier_id'],
    ['A purchase order', 'purchase_order', 'supplier_id'],
    ['A receipt of goods', 'goods_received', 'supplier_id'],
    ['A payment', 'supplier_payment', 'supplier_id'],
    ['A payment', 'ahead_move', 'supplier_id'],
    ['A refund', 'supplier_refund', 'supplier_id'],
    ['An email', 'post', 'supplier_id'],
    ['An item', 'goods_supplier', 'supplier_id'],
  ],
  goods: [
    ['A sale', 'sale_line', 'goods_id'],
    ['A sale', 'sale_line_part', 'goods_id'],
    ['An invoice', 'invoice_line', 'goods_id'],
    ['A purchase order', 'purchase_order_line', 'goods_id'],
    ['A receipt of goods', 'goods_received_line', 'goods_id'],
    ['A movement of stock', 'stock_move', 'goods_id'],
    ['A pick list', 'pick_line', 'goods_id'],
    ['A kit', 'goods_part', 'part_id'],
    ['A lot or serial', 'batch', 'goods_id'],
    ['An assembly', 'assembly', 'kit_id'],
    ['A landed cost', 'cost_share', 'goods_id'],
    ['A basket in the online shop', 'basket_line', 'goods_id'],
  ],
}

const rowsOf = ([table, column]: Column, id: number): SQL =>
  sql`from ${sql.identifier(table)} where ${sql.identifier(column)} = ${id}::int`

/** What uses it, in words; null where nothing does. */
export const findWholeUse = (db: Db, whole: Whole, id: number): Promise<string | null> =>
  findUse(
    db,
    USED_BY[whole].map(([what, ...column]) => [what, sql`select ${rowsOf(column, id)}`]),
  )

/** Deletes it with what goes with it. Nothing uses it. */
export const deleteWhole = async (db: Db, whole: Whole, id: number): Promise<void> => {
  for (const column of OWN_PARTS[whole]) await db.execute(sql`delete ${rowsOf(column, id)}`)
  await db.execute(sql`delete from file where owner_kind = ${whole} and owner_id = ${id}::int`)
  await db.execute(sql`delete ${rowsOf([whole, 'id'], id)}`)
}
