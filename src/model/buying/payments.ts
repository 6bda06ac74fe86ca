import { money, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import { listAheadMoves, listBillFills } from '@/data/queries/bill'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import type { Asked } from '../where'

type Filter = Parameters<typeof listSupplierPayments>[1]
type Part = Parameters<typeof listSupplierPayments>[2]

/** Money that went to suppliers, the newest first. */
export const paymentViews = async (db: Db, of: Filter, part: Part, currency: string) =>
  (await listSupplierPayments(db, of, part)).map((p) => ({
    id: p.id,
    number: p.number,
    supplierId: p.supplierId,
    supplier: p.supplier,
    on: p.onDay,
    accountId: p.accountId,
    account: p.account,
    amount: toDecimalString(money(p.amount, currency)),
    checkNumber: p.checkNumber,
    voidedOn: p.voidedOn,
  }))

/** One of them: what it paid, what was let off with it, and what of it is paid in advance. */
export const paymentView = async (db: Db, id: number, { business }: Pick<Asked, 'business'>) => {
  const { currency } = business
  const [view] = await paymentViews(db, { id }, {}, currency)
  if (!view) return null
  const fills = await listBillFills(db, { paymentId: id })
  const ahead = (await listAheadMoves(db, view.supplierId)).filter((m) => m.paymentId === id && m.amount > 0n)
  const amount = (minor: bigint): string => toDecimalString(money(minor, currency))
  const sumOf = (kind: string, billId?: number): bigint =>
    fills
      .filter((f) => f.kind === kind && (billId === undefined || f.billId === billId))
      .reduce((sum, f) => sum + f.amount, 0n)
  return {
    ...view,
    filled: [...new Set(fills.map((f) => f.billId))].map((billId) => ({
      billId,
      amount: amount(sumOf('payment', billId)),
      discount: amount(sumOf('discount', billId)),
    })),
    discount: amount(sumOf('discount')),
    ahead: amount(ahead.reduce((sum, m) => sum + m.amount, 0n)),
  }
}
