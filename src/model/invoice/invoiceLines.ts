import { formatPercent } from '@/core/locale'
import { addMoney, formatMoney, isPositiveMoney, subtractMoney, type Money } from '@/core/money'
import { lineAmount } from '@/core/tax'
import type { InvoiceRow } from '@/data/queries/invoices'

export interface ShownLine {
  /** In the basis of the sale's prices: with tax where they include it, as its price is. */
  readonly worth: Money
  /** What came off, in words: a percentage, an amount (of the line, or its share of what is off the whole), or both. */
  readonly less: string
}

/** How a line of an invoice is shown, so that quantity, price, what came off and sum agree. */
export const showInvoiceLine = (
  line: InvoiceRow['lines'][number],
  pricesIncludeTax: boolean,
  currency: string,
): ShownLine => {
  const worth = pricesIncludeTax ? addMoney(line.net, line.tax) : line.net
  const percent = line.discountPercent.gt(0) ? formatPercent(line.discountPercent.toString()) : ''
  if (line.quantity.eq(0)) return { worth, less: percent }
  const off = subtractMoney(lineAmount(line, currency), worth)
  return { worth, less: [percent, isPositiveMoney(off) ? formatMoney(off) : ''].filter(Boolean).join(' + ') }
}
