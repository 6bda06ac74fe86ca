import { and, desc, eq, max, sql } from 'drizzle-orm'
import type { Day } from '@/core/day'
import { insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { account, supplier, supplierPayment } from '../schema'
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

/** The highest number of a check that was written on an account; null where none was. Locked until the transaction ends. */
export const lastCheckNumber = async (db: Db, accountId: number): Promise<number | null> => {
  await db.select({ id: account.id }).from(account).where(eq(account.id, accountId)).for('no key update')
  const [row] = await db
    .select({ last: max(supplierPayment.checkNumber) })
    .from(supplierPayment)
    .where(eq(supplierPayment.accountId, accountId))
  return row?.last ?? null
}

/** The payment that was written as a check. */
export const findCheck = async (db: Db, accountId: number, checkNumber: number) =>
  (
    await db
      .select({ number: supplierPayment.number })
      .from(supplierPayment)
      .where(and(eq(supplierPayment.accountId, accountId), eq(supplierPayment.checkNumber, checkNumber)))
  )[0] ?? null
