import type { SaleRow } from '@/data/queries/sales'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { type Decimal, ZERO, type Money, money, addMoney } from '@/core/money'
import { lineWorth } from '@/core/sale'
import type { KeptTaxCode } from '@/data/queries/taxCodes'
import { type TaxedDocument, computeTax } from '@/core/tax'
import { present } from '@/core/present'

/** The quantity a line counts with: what is agreed, or before that what is offered. */
export const countedQuantity = (
  sale: Pick<SaleRow, 'agreedOn'>,
  line: Pick<SaleLineRow, 'agreed' | 'quantity' | 'chosen'>,
): Decimal => (sale.agreedOn ? line.agreed : line.chosen ? line.quantity : ZERO)

/** What a line comes to for a quantity, with everything that comes off it, in the basis of the sale's prices. */
export const worthOf = (line: SaleLineRow, of: Decimal, currency: string): Money =>
  lineWorth(
    {
      ...line,
      discountAmount: money(line.discountAmount, currency),
      wholeLess: money(line.wholeLess, currency),
    },
    of,
  )

/** What a sale comes to, with the taxes of what counts: a heading, or an option nobody took, brings no rate of its own. */
export const totalsOf = (
  sale: Pick<SaleRow, 'agreedOn' | 'pricesIncludeTax' | 'taxRoundedPer' | 'rateShift'>,
  lines: readonly SaleLineRow[],
  codes: readonly KeptTaxCode[],
): TaxedDocument => {
  const { currency } = sale.rateShift
  const atItsRates = computeTax(
    lines.map((l) => ({
      amount: worthOf(l, countedQuantity(sale, l), currency),
      taxCode: present(codes.find((c) => c.id === l.taxCodeId)),
    })),
    { currency, pricesIncludeTax: sale.pricesIncludeTax, roundPer: sale.taxRoundedPer },
  )
  const { tax, gross } = atItsRates
  const counting = new Set(lines.filter((l) => countedQuantity(sale, l).gt(0)).map((l) => l.taxCodeId))
  const taxes = atItsRates.taxes.filter((t) => counting.has(t.taxCodeId))
  return { ...atItsRates, taxes, tax: addMoney(tax, sale.rateShift), gross: addMoney(gross, sale.rateShift) }
}
