import { ok, type Result } from '@/core/result'
import { leftOfLine } from '@/core/buying'
import type { EInvoice, EInvoiceLine } from '@/core/einvoice'
import { addMoney, smaller, toDecimalString, type Decimal } from '@/core/money'
import { unitCost as unitCostOf } from '@/core/stock'
import { codesOn, wholeRate } from '@/core/tax'
import type { Failure } from '@/contract/failure'
import { findBillByNumber } from '@/data/queries/bill'
import { listGoodsCalled } from '@/data/queries/goods'
import { listGoodsReceived, listReceivedLines } from '@/data/queries/goodsReceived'
import { listPurchaseLines, listPurchaseOrders } from '@/data/queries/purchaseOrder'
import { findSupplierCalled } from '@/data/queries/suppliers'
import { listTaxCodes } from '@/data/queries/taxCodes'
import type { Asked } from '../where'
import { cameTally } from './came'

/** What came or is on order and is not billed yet, each used up line by line. */
interface Billable {
  readonly goodsId: number
  readonly receivedLineId?: number
  readonly purchaseOrderLineId?: number
  left: Decimal
}

/** What of a supplier's is still to be billed: what came first, then what is on the order the bill names. */
const readBillable = async ({ db, business }: Asked, supplierId: number, order: string): Promise<Billable[]> => {
  const [papers, orders] = await Promise.all([
    listGoodsReceived(db, { supplierId }),
    listPurchaseOrders(db, { supplierId }),
  ])
  const named = orders.filter((o) => o.number.toLowerCase() === order.toLowerCase())
  const [came, ordered] = await Promise.all([
    listReceivedLines(db, { receivedIds: papers.map((p) => p.id) }),
    listPurchaseLines(db, { orderIds: named.map((o) => o.id) }),
  ])
  const received = came.map((l): Billable => ({
    goodsId: l.goodsId,
    receivedLineId: l.id,
    left: leftOfLine(cameTally(l, business.currency)).toBill,
  }))
  const toCome = ordered.flatMap((l): Billable[] =>
    l.goodsId === null
      ? []
      : [{ goodsId: l.goodsId, purchaseOrderLineId: l.id, left: l.quantity.minus(l.received).minus(l.ahead) }],
  )
  return [...received, ...toCome].filter((b) => b.left.gt(0))
}

/** The tax code of a rate in percent on a day: the supplier’s usual one, or the only one; else null. */
const codeOf = (
  codes: Awaited<ReturnType<typeof listTaxCodes>>,
  { on }: EInvoice,
  { taxPercent }: EInvoiceLine,
  usual: string | null,
): string | null => {
  const fits = codesOn(codes, on).filter((c) => taxPercent?.eq(wholeRate(c).times(100)))
  const [only] = fits.length === 1 ? fits : fits.filter((c) => c.code === usual)
  return only?.code ?? null
}

/**
 * A supplier's e-invoice as a draft of their bill: by whom, for what of what came, with which tax. Nothing is saved; what
 * is known of it can be entered as it stands, what is not is left out.
 */
export const readBill = async (asked: Asked, invoice: EInvoice): Promise<Result<object, Failure>> => {
  const { db } = asked
  const supplier = await findSupplierCalled(db, invoice.supplier)
  const [before, billable, codes, goods] = await Promise.all([
    supplier && findBillByNumber(db, supplier.id, invoice.number),
    supplier ? readBillable(asked, supplier.id, invoice.order) : [],
    listTaxCodes(db),
    listGoodsCalled(
      db,
      supplier?.id ?? 0,
      invoice.lines.map((l) => ({ ...l.codes, name: l.description })),
    ),
  ])
  return ok({
    supplierId: supplier?.id ?? null,
    supplier: supplier?.name ?? invoice.supplier.name,
    theirNumber: invoice.number,
    enteredAs: before?.number ?? null,
    on: invoice.on,
    ...(invoice.due ? { due: invoice.due } : {}),
    lines: invoice.lines.map((l, i) => {
      const goodsId = goods[i] ?? null
      const fits = billable.find((b) => b.goodsId === goodsId && b.left.gt(0))
      if (fits) fits.left = fits.left.minus(smaller(fits.left, l.quantity))
      const taxCode = codeOf(codes, invoice, l, supplier?.taxCode ?? null)
      return {
        ...(fits?.receivedLineId === undefined ? {} : { receivedLineId: fits.receivedLineId }),
        ...(fits?.purchaseOrderLineId === undefined ? {} : { purchaseOrderLineId: fits.purchaseOrderLineId }),
        goodsId,
        description: l.description,
        quantity: l.quantity.toString(),
        unitCost: unitCostOf({ quantity: l.quantity, value: l.net }).round(4).toString(),
        amount: toDecimalString(l.net),
        tax: toDecimalString(l.tax),
        ...(taxCode === null ? {} : { taxCode }),
      }
    }),
    totals: {
      net: toDecimalString(invoice.net),
      tax: toDecimalString(invoice.tax),
      gross: toDecimalString(addMoney(invoice.net, invoice.tax)),
    },
  })
}
