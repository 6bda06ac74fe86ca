import { and, desc, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { account, supplier, supplierRefund } from '../schema'

export const insertSupplierRefund = insertWithId(supplierRefund)

export const markSupplierRefundVoid = async (db: Db, id: number, voidedOn: Day, voidReason: string): Promise<void> => {
  await db.update(supplierRefund).set({ voidedOn, voidReason }).where(eq(supplierRefund.id, id))
}

/** Money that suppliers gave back, the newest first. */
export const listSupplierRefunds = async (
  db: Db,
  of: { readonly id?: number; readonly supplierId?: number },
  part: { readonly limit?: number; readonly after?: number } = {},
) => {
  const all = db
    .select({ refund: supplierRefund, supplier: supplier.name, account: account.name })
    .from(supplierRefund)
    .innerJoin(supplier, eq(supplier.id, supplierRefund.supplierId))
    .innerJoin(account, eq(account.id, supplierRefund.accountId))
    .where(
      and(
        of.id === undefined ? undefined : eq(supplierRefund.id, of.id),
        of.supplierId === undefined ? undefined : eq(supplierRefund.supplierId, of.supplierId),
        part.after === undefined ? undefined : sql`${supplierRefund.id} < ${part.after}`,
      ),
    )
    .orderBy(desc(supplierRefund.id))
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map(({ refund, ...named }) => ({ ...refund, ...named }))
}
