import { present } from '@/core/present'
import { negateMoney, subtractMoney, sumMoney, ZERO, type Decimal, type Money } from '@/core/money'
import { rateOn, type TaxCode, type TaxedDocument } from '@/core/tax'
import { aheadOfHandover, priceBill, type BilledTax, type LineToPrice } from '@/core/sale'
import type { Day } from '@/core/day'
import { listInvoicesOfSales, type InvoiceRow, type NewInvoice } from '@/data/queries/invoices'
import type { SaleRow } from '@/data/queries/sales'
import type { Work } from '../command'
import type { LockedSale } from '../sales/saleWork'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { worthOf } from '@/model/sale/worth'

interface Billable {
  readonly sale: Pick<SaleRow, 'id' | 'pricesIncludeTax' | 'taxRoundedPer'>
  readonly lines: readonly SaleLineRow[]
}

export interface BillPart {
  readonly lineId: number
  readonly quantity: Decimal
}

/** The issued bills and credit notes of a sale; none are asked for where nothing is billed. */
export const billedSoFar = async (w: Work, { sale, lines }: Billable): Promise<InvoiceRow[]> =>
  lines.some((l) => l.billed.gt(0))
    ? (await listInvoicesOfSales(w.tx, [sale.id], w.currency)).filter((i) => i.status === 'issued')
    : []

/** What bills come to with tax, less what was credited to be billed again. */
export const billedGross = (invoices: readonly InvoiceRow[], currency: string): Money =>
  sumMoney(
    invoices.flatMap((i) =>
      i.kind === 'credit-note'
        ? i.lines.filter((l) => l.rebill).flatMap((l) => [negateMoney(l.net), negateMoney(l.tax)])
        : [i.gross],
    ),
    currency,
  )

/** Prices parts of a sale at the rates that `codeOf` says. */
export const priceParts = (
  w: Work,
  { sale, lines }: Billable,
  parts: readonly BillPart[],
  before: readonly InvoiceRow[],
  codeOf: (line: SaleLineRow) => TaxCode,
): TaxedDocument =>
  priceBill(
    lines.map((l): LineToPrice => ({
      lineId: l.id,
      taxCode: codeOf(l),
      agreed: l.agreed,
      wholeAmount: worthOf(l, l.agreed, w.currency),
      billedQuantity: l.billed.minus(l.toRebill),
      billedAmount: billedAmount(before, l.id, sale.pricesIncludeTax, w.currency),
      atOtherRates: isBilledAtOther(before, l.id, codeOf(l).id),
    })),
    parts,
    billedTax(before),
    { currency: w.currency, pricesIncludeTax: sale.pricesIncludeTax, roundPer: sale.taxRoundedPer },
  )

/** Whether something of a line stands billed (less what was credited to be billed again) under another tax code than this. */
export const isBilledAtOther = (invoices: readonly InvoiceRow[], lineId: number, taxCodeId: number): boolean => {
  const quantity = invoices.flatMap((i) =>
    i.lines
      .filter((l) => l.saleLineId === lineId && l.taxCodeId !== taxCodeId && (i.kind !== 'credit-note' || l.rebill))
      .map((l) => (i.kind === 'credit-note' ? l.quantity.neg() : l.quantity)),
  )
  return quantity.reduce((sum, q) => sum.plus(q), ZERO).gt(0)
}

/** Prices a bill of a sale from what was billed before, ready to be written as a draft or to be issued. */
export const draftBill = async (
  w: Work,
  { sale, lines }: LockedSale,
  parts: readonly BillPart[],
  paper: { readonly kind: 'invoice' | 'counter'; readonly on: Day },
): Promise<NewInvoice> => {
  const codes = await w.taxCodes()
  const before = await billedSoFar(w, { sale, lines })
  const codeOf = new Map(lines.map((l) => [l.id, rateOn(codes, l.taxCodeId, paper.on)]))
  const priced = priceParts(w, { sale, lines }, parts, before, (l) => present(codeOf.get(l.id)))
  const chosen = parts.map((p) => present(lines.find((l) => l.id === p.lineId)))
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
      const line = present(chosen[i])
      const amounts = present(priced.lines[i])
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
        quantity: p.quantity,
        unitPrice: line.unitPrice,
        discountPercent: line.discountPercent,
        taxCodeId: present(codeOf.get(line.id)).id,
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
const billedAmount = (invoices: readonly InvoiceRow[], lineId: number, withTax: boolean, currency: string) => {
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
          componentId: present(t.componentId),
          amount: i.kind === 'credit-note' ? negateMoney(t.amount) : t.amount,
        })),
    )
