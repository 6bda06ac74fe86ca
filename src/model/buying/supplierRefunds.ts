import { money, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import { listSupplierRefunds } from '@/data/queries/supplierRefund'

type Filter = Parameters<typeof listSupplierRefunds>[1]
type Part = Parameters<typeof listSupplierRefunds>[2]

/** Money that suppliers gave back, the newest first. */
export const supplierRefundViews = async (db: Db, of: Filter, part: Part, currency: string) =>
  (await listSupplierRefunds(db, of, part)).map((r) => ({
    id: r.id,
    number: r.number,
    supplierId: r.supplierId,
    supplier: r.supplier,
    on: r.onDay,
    accountId: r.accountId,
    account: r.account,
    amount: toDecimalString(money(r.amount, currency)),
    entryId: r.entryId,
    voidedOn: r.voidedOn,
  }))

export const supplierRefundView = async (db: Db, id: number, currency: string) =>
  (await supplierRefundViews(db, { id }, {}, currency))[0] ?? null
