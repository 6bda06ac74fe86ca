import { and, desc, eq, sql } from 'drizzle-orm'
import { insertWithId } from '../builtOnce'
import type { Db } from '../connect'
import { customer, receipt, setOff, supplier, supplierPayment } from '../schema'

export const insertSetOff = insertWithId(setOff)

interface Of {
  readonly id?: number
  readonly supplierId?: number
  readonly receiptId?: number
  readonly paymentId?: number
}

/** Set-offs, the newest first, with the receipt and the payment that each of them is. */
export const listSetOffs = async (db: Db, of: Of, part: { readonly limit?: number; readonly after?: number } = {}) => {
  const all = db
    .select({
      id: setOff.id,
      number: setOff.number,
      onDay: setOff.onDay,
      amount: setOff.amount,
      receiptId: setOff.receiptId,
      receipt: receipt.number,
      paymentId: setOff.paymentId,
      payment: supplierPayment.number,
      customerId: receipt.customerId,
      customer: customer.name,
      supplierId: supplierPayment.supplierId,
      supplier: supplier.name,
      voidedOn: supplierPayment.voidedOn,
    })
    .from(setOff)
    .innerJoin(receipt, eq(receipt.id, setOff.receiptId))
    .innerJoin(customer, eq(customer.id, receipt.customerId))
    .innerJoin(supplierPayment, eq(supplierPayment.id, setOff.paymentId))
    .innerJoin(supplier, eq(supplier.id, supplierPayment.supplierId))
    .where(
      and(
        of.id === undefined ? undefined : eq(setOff.id, of.id),
        of.supplierId === undefined ? undefined : eq(supplierPayment.supplierId, of.supplierId),
        of.receiptId === undefined ? undefined : eq(setOff.receiptId, of.receiptId),
        of.paymentId === undefined ? undefined : eq(setOff.paymentId, of.paymentId),
        part.after === undefined ? undefined : sql`${setOff.id} < ${part.after}`,
      ),
    )
    .orderBy(desc(setOff.id))
  return part.limit === undefined ? all : all.limit(part.limit)
}
export type SetOffRow = Awaited<ReturnType<typeof listSetOffs>>[number]
