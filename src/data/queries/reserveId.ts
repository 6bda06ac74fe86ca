import type { Db } from '../connect'
import { present } from '@/core/present'
import { sql } from 'drizzle-orm'

type Reserved =
  | 'handover'
  | 'receipt'
  | 'refund'
  | 'stock_count'
  | 'stock_transfer'
  | 'stock_adjustment'
  | 'assembly'
  | 'goods_received'
  | 'goods_returned'
  | 'bill'
  | 'supplier_credit'
  | 'supplier_payment'
  | 'set_off'
  | 'supplier_refund'
  | 'landed_cost'
  | 'plan'
  | 'extra_charge'
  | 'write_off'
  | 'held_transfer'
  | 'drawer_move'
  | 'drawer_count'
  | 'banking_slip'
  | 'card_settlement'

const next = (table: Reserved | 'entry') => sql`nextval(pg_get_serial_sequence(${table}, 'id'))::int`

/** An id for a paper that must be known before its entry is posted, while the paper itself may not change after. */
export const reserveId = async (db: Db, table: Reserved): Promise<number> =>
  present((await db.execute<{ id: number }>(sql`select ${next(table)} as id`))[0]).id

/** The same for a paper and the entry that posts it. */
export const reserveWithEntry = async (
  db: Db,
  table: Reserved,
): Promise<{ readonly id: number; readonly entryId: number }> =>
  present(
    (
      await db.execute<{ id: number; entryId: number }>(sql`select ${next(table)} as id, ${next('entry')} as "entryId"`)
    )[0],
  )
