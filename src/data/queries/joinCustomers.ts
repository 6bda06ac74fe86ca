import { sql } from 'drizzle-orm'
import type { Db } from '../connect'

/** Every table with rows of a customer that simply move. What is held is summed apart, because two rows may become one. */
const MOVES = [
  'sale',
  'invoice',
  'due',
  'receipt',
  'refund',
  'held_move',
  'entry',
  'post',
  'customer_link',
  'card_payment',
  'contact',
  'address',
  'plan',
  'extra_charge',
  'write_off',
  'held_transfer',
  'pay_promise',
  'reminder',
]

/** Locks both records, the lower id first, so that two joinings never wait for each other crosswise. */
export const lockCustomers = async (db: Db, ids: readonly number[]): Promise<number> =>
  (
    await db.execute<{ id: number }>(
      sql`select id from customer where id in (${sql.join(
        ids.map((id) => sql`${id}::int`),
        sql`, `,
      )}) order by id for update`,
    )
  ).length

/** Moves everything of `goneId` to `keptId`; the record that goes stays, and says where its papers are. */
export const moveCustomer = async (db: Db, keptId: number, goneId: number): Promise<void> => {
  await db.execute(sql`update customer set joined_to_id = ${keptId} where id = ${goneId}`)
  for (const table of MOVES)
    await db.execute(sql`update ${sql.identifier(table)} set customer_id = ${keptId} where customer_id = ${goneId}`)
  await db.execute(sql`
    insert into held (customer_id, sale_id, kind, amount)
      select ${keptId}::int, sale_id, kind, amount from held where customer_id = ${goneId}
    on conflict (customer_id, sale_id, kind) do update set amount = held.amount + excluded.amount`)
  await db.execute(sql`delete from held where customer_id = ${goneId}`)
  // Who is a supplier too stays one; where both are, the one that is kept.
  await db.execute(sql`
    update supplier s set customer_id = case when exists (select from supplier k where k.customer_id = ${keptId}) then null else ${keptId}::int end
     where s.customer_id = ${goneId}`)
  await db.execute(sql`update file set owner_id = ${keptId} where owner_kind = 'customer' and owner_id = ${goneId}`)
}
