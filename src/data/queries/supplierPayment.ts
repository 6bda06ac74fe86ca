import { and, desc, eq, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import type { Db } from '../connect'
import { account, supplier, supplierPayment } from '../schema'
import { insertWithId } from './insertWithId'
import { isOneOf } from './search'

export const insertSupplierPayment = insertWithId(supplierPayment)

export const markPaymentVoid = async (db: Db, id: number, voidedOn: Day, voidReason: string): Promise<void> => {
  await db.update(supplierPayment).set({ voidedOn, voidReason }).where(eq(supplierPayment.id, id))
}

/** Money that went to suppliers, the newest first. */
export const listSupplierPayments = async (
  db: Db,
  of: { readonly id?: number; readonly ids?: readonly number[]; readonly supplierId?: number },
  part: { readonly limit?: number; readonly after?: number } = {},
) => {
  const all = db
    .select({ payment: supplierPayment, supplier: supplier.name, account: account.name })
    .from(supplierPayment)
    .innerJoin(supplier, eq(supplier.id, supplierPayment.supplierId))
    .innerJoin(account, eq(account.id, supplierPayment.accountId))
    .where(
      and(
        of.id === undefined ? undefined : eq(supplierPayment.id, of.id),
        of.ids === undefined ? undefined : isOneOf(supplierPayment.id, of.ids),
        of.supplierId === undefined ? undefined : eq(supplierPayment.supplierId, of.supplierId),
        part.after === undefined ? undefined : sql`${supplierPayment.id} < ${part.after}`,
      ),
    )
    .orderBy(desc(supplierPayment.id))
  const rows = await (part.limit === undefined ? all : all.limit(part.limit))
  return rows.map(({ payment, ...named }) => ({ ...payment, ...named }))
}
export type SupplierPaymentRow = Awaited<ReturnType<typeof listSupplierPayments>>[number]
