import { subtractMoney, sumMoney, type Decimal } from '@/core/money'
import { aheadOfHandover, priceBill, type BilledTax, type LineToPrice } from '@/core/sale'
import type { Day } from '@/core/day'
import { listInvoicesOfSales, type InvoiceRow, type NewInvoice } from '@/data/queries/invoices'
import type { Work } from '../command'
import { worthOf } from '../read/stories'
import type { LockedSale } from '../sales/saleWork'

export interface BillPart {
  readonly lineId: number
  readonly quantity: Decimal
}

/** Prices a bill of a sale from what was billed before, ready to be written as a draft or to be issued. */
export const draftBill = async (
  w: Work,
  { sale, lines }: LockedSale,
  parts: readonly BillPart[],
  paper: { readonly kind: 'invoice' | 'counter'; readonly on: Day },
): Promise<NewInvoice> => {
  const codes = await w.taxCodes()
  const billedBefore = lines.some((l) => l.billed.gt(0))
  const before = billedBefore
    ? (await listInvoicesOfSales(w.tx, [sale.id], w.currency)).filter((i) => i.status === 'issued')
    : []
  const settings = {
    currency: w.currency,
    pricesIncludeTax: sale.pricesIncludeTax,
    roundPer: w.business.taxRoundedPer,
  }
  const toPrice = lines.map((l): LineToPrice => ({
    lineId: l.id,
    taxCode: codes.find((c) => c.id === l.taxCodeId)!,
    agreed: l.agreed,
    wholeAmount: worthOf(l, l.agreed, w.currency),
    billedQuantity: l.billed.minus(l.toRebill),
    billedAmount: billedAmount(before, l.id, sale.pricesIncludeTax, w.currency),
  }))
  const priced = priceBill(toPrice, parts, billedTax(before), settings)
  const chosen = parts.map((p) => lines.find((l) => l.id === p.lineId)!)
  return {
    row: {
      kind: paper.kind,
      saleId: sale.id,
      customerId: sale.customerId,
      onDay: paper.on,
      net: priced.net.minor,
      tax: priced.tax.minor,
      gross: priced.gross.minor,
    },
    lines: parts.map((p, i) => {
      const line = chosen[i]!
      const amounts = priced.lines[i]!
      const isGoods = line.kind === 'stock' || line.kind === 'kit'
      const ahead = isGoods
        ? aheadOfHandover({
            net: amounts.net,
            quantity: p.quantity,
            handedOver: line.handedOver.minus(line.returned),
            billedBefore: line.billed.minus(line.credited),
          })
        : null
      return {
        saleLineId: line.id,
        goodsId: line.goodsId,
        description: line.description,
        note: line.note,
        quantity: p.quantity.toFixed(4),
        unitPrice: line.unitPrice.toFixed(4),
        discountPercent: line.discountPercent.toFixed(4),
        taxCodeId: line.taxCodeId,
        incomeAccountId: line.incomeAccountId,
        net: amounts.net.minor,
        tax: amounts.tax.minor,
        ahead: ahead?.minor ?? 0n,
      }
    }),
    taxes: priced.taxes.flatMap((t): NewInvoice['taxes'][number][] =>
      t.components.length === 0
        ? [{ taxCodeId: t.taxCodeId, componentId: null, net: t.net.minor, amount: 0n }]
        : t.components.map((c) => ({
            taxCodeId: t.taxCodeId,
            componentId: c.componentId,
            net: t.net.minor,
            amount: c.amount.minor,
          })),
    ),
  }
}

/** What was billed of a line in the basis of the sale's prices, less what was credited to be billed again. */
const billedAmount = (
  invoices: readonly InvoiceRow[],
  lineId: number,
  withTax: boolean,
  currency: string,
) => {
  const sum = (credits: boolean) =>
    sumMoney(
      invoices
        .filter((i) => (i.kind === 'credit-note') === credits)
        .flatMap((i) => i.lines.filter((l) => l.saleLineId === lineId && (!credits || l.rebill)))
        .flatMap((l) => (withTax ? [l.net, l.tax] : [l.net])),
      currency,
    )
  return subtractMoney(sum(false), sum(true))
}

/** Tax of earlier bills by component, less credits to be billed again. */
const billedTax = (invoices: readonly InvoiceRow[]): BilledTax[] =>
  invoices
    .filter((i) => i.kind !== 'credit-note' || i.lines.some((l) => l.rebill))
    .flatMap((i) =>
      i.taxes
        .filter((t) => t.componentId !== null)
        .map((t) => ({
          taxCodeId: t.taxCodeId,
          componentId: t.componentId!,
          amount: i.kind === 'credit-note' ? { ...t.amount, minor: -t.amount.minor } : t.amount,
        })),
    )
