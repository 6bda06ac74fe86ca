import { present } from '@/core/present'
import type { Db } from '../connect'
import { address, customer } from '../schema'

/** Rows of an insert at a time: far below the number of values one statement may carry. */
const BATCH = 500

/** Writes many new customers, each with the address that bills go to where there is one. */
export const insertManyCustomers = async (
  db: Db,
  rows: readonly { readonly customer: typeof customer.$inferInsert; readonly address: string }[],
): Promise<void> => {
  for (let at = 0; at < rows.length; at += BATCH) {
    const some = rows.slice(at, at + BATCH)
    const written = await db
      .insert(customer)
      .values(some.map((r) => r.customer))
      .returning({ id: customer.id })
    const addresses = some.flatMap(({ address: text }, i) =>
      text === ''
        ? []
        : [
            {
              customerId: present(written[i]).id,
              kind: 'bill-to' as const,
              text,
              isDefault: true,
              instructions: '',
              taxArea: '',
            },
          ],
    )
    if (addresses.length > 0) await db.insert(address).values(addresses)
  }
}
