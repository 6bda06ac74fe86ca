import { piecesOf } from '@/core/piecesOf'
import { present } from '@/core/present'
import type { Db } from '../connect'
import { insertMany } from '../manyRows'
import { address, customer } from '../schema'

const [insertCustomers, insertAddresses] = [insertMany(customer), insertMany(address)]

/** So many are written before others have their turn. */
const AT_ONCE = 500

/** Writes many new customers, each with the address that bills go to where there is one. */
export const insertManyCustomers = async (
  db: Db,
  rows: readonly { readonly customer: typeof customer.$inferInsert; readonly address: string }[],
): Promise<void> => {
  for (const some of piecesOf(rows, AT_ONCE)) {
    const ids = await insertCustomers(
      db,
      some.map((r) => r.customer),
    )
    await insertAddresses(
      db,
      some.flatMap(({ address: text }, i) =>
        text === '' ? [] : [{ customerId: present(ids[i]), kind: 'bill-to' as const, text, isDefault: true }],
      ),
    )
  }
}
