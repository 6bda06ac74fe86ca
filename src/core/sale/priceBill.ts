import { present } from '@/core/present'
import {
  largerMoney,
  roundToMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'
import { computeTax, type TaxCode, type TaxedDocument, type TaxSettings } from '../tax'

/** A sale line as billing sees it. Amounts are in the basis of its prices: net, or with tax where prices include it. */
export interface LineToPrice {
  readonly lineId: number
  readonly taxCode: TaxCode
  readonly agreed: Decimal
  readonly wholeAmount: Money
  /** Billed so far, less what was credited for billing again. */
  readonly billedQuantity: Decimal
  readonly billedAmount: Money
  /** Part of it was billed at other rates than `taxCode` has: then no whole is left that bills could add up to. */
  readonly atOtherRates?: boolean
}

export interface BilledTax {
  readonly taxCodeId: number
  readonly componentId: number
  readonly amount: Money
}

/**
 * Prices one bill of a sale.
 *
 * A line's part is what its running total of billed quantity is worth, less what was billed before, so that the parts of
 * a line add up to the line; a part is never below zero. Tax is computed as on any document, except that the bill which completes a tax code of the
 * sale takes what is left of the code's whole tax, so that the bills add up to the sale, tax included (not where rates
 * changed between bills).
 *
 * `lines` are all lines of the sale, `quantities` what this bill takes of them, `taxBilled` the tax of earlier bills less
 * credits for billing again. The answer's lines stand in the order of `quantities`.
 */
export const priceBill = (
  lines: readonly LineToPrice[],
  quantities: readonly { readonly lineId: number; readonly quantity: Decimal }[],
  taxBilled: readonly BilledTax[],
  settings: TaxSettings,
): TaxedDocument => {
  const { currency } = settings
  const taking = new Map(quantities.map((q) => [q.lineId, q.quantity]))
  const byId = new Map(lines.map((l) => [l.lineId, l]))
  const parts = quantities.map(({ lineId, quantity }) => {
    const line = present(byId.get(lineId))
    return { amount: amountOfPart(line, quantity, currency), taxCode: line.taxCode }
  })
  const whole = computeTax(
    lines.map((l) => ({ amount: l.wholeAmount, taxCode: l.taxCode })),
    settings,
  )
  const fixed = new Map<number, Money[]>()
  for (const share of whole.taxes) {
    const ofCode = lines.filter((l) => l.taxCode.id === share.taxCodeId)
    const completes = ofCode.every(
      (l) => !l.atOtherRates && l.billedQuantity.plus(taking.get(l.lineId) ?? 0).gte(l.agreed),
    )
    const takesPart = ofCode.some((l) => taking.has(l.lineId))
    if (!completes || !takesPart) continue
    fixed.set(
      share.taxCodeId,
      share.components.map((c) => {
        const before = taxBilled.filter((b) => b.taxCodeId === share.taxCodeId && b.componentId === c.componentId)
        return subtractMoney(
          c.amount,
          sumMoney(
            before.map((b) => b.amount),
            currency,
          ),
        )
      }),
    )
  }
  return computeTax(parts, settings, fixed)
}

const amountOfPart = (line: LineToPrice, quantity: Decimal, currency: string): Money => {
  const after = line.billedQuantity.plus(quantity)
  if (after.gte(line.agreed)) return subtractMoney(line.wholeAmount, line.billedAmount)
  if (line.agreed.eq(0)) return zeroMoney(currency)
  const running = roundToMoney(toDecimal(line.wholeAmount).times(after).div(line.agreed), currency)
  // An amount credited for good may be more than the part is worth: then the part costs nothing, and a later one what is left.
  return largerMoney(subtractMoney(running, line.billedAmount), zeroMoney(currency))
}
