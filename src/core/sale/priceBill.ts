import { present } from '@/core/present'
import {
  addMoney,
  decimal,
  isPositiveMoney,
  largerMoney,
  roundToMoney,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'
import { computeTax, type TaxCode, type TaxedDocument, type TaxSettings, type TaxShare } from '../tax'

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
 * a line add up to the line; a part is never below zero. Tax is computed as on any document, except that no bill takes more
 * of a component than is left of it in the whole sale, nor (in prices with tax) leaves more of it than what is still to be
 * billed, and the bill which completes a tax code takes all that is left: the bills add up to the sale, tax included, and
 * neither net nor tax is ever below zero. Not where rates changed between bills; and of a sale that was made smaller after
 * bills were rounded up nothing is left, not less than that.
 *
 * `lines` are all lines of the sale, `quantities` what this bill takes of them, `taxBilled` the tax of earlier bills less
 * credits for billing again. The answer's lines stand in the order of `quantities`.
 *
 * @example 20 picks at 0.05 and 10 %, billed one at a time: ten bills with 0.01 of tax, ten with none, 0.10 in all
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
  const none = zeroMoney(currency)
  const usual = computeTax(parts, settings)
  const fixed = new Map<number, Money[]>()
  for (const share of usual.taxes) {
    const ofCode = lines.filter((l) => l.taxCode.id === share.taxCodeId)
    if (ofCode.some((l) => l.atOtherRates)) continue
    const left = leftOf(present(whole.taxes.find((t) => t.taxCodeId === share.taxCodeId)), taxBilled)
    const amount = sumMoney(
      parts.filter((p) => p.taxCode.id === share.taxCodeId).map((p) => p.amount),
      currency,
    )
    const unbilled = sumMoney(
      ofCode.map((l) => subtractMoney(l.wholeAmount, l.billedAmount)),
      currency,
    )
    const completes = ofCode.every((l) => l.billedQuantity.plus(taking.get(l.lineId) ?? 0).gte(l.agreed))
    const all = sumMoney(left, currency)
    const later = largerMoney(subtractMoney(unbilled, amount), none)
    const tax = takeTax(
      share.components.map((c) => c.amount),
      left,
      settings.pricesIncludeTax
        ? { least: completes ? all : subtractMoney(all, later), most: amount }
        : { least: completes ? all : none, most: all },
    )
    if (tax.some((t, i) => t.minor !== present(share.components[i]).amount.minor)) fixed.set(share.taxCodeId, tax)
  }
  return fixed.size === 0 ? usual : computeTax(parts, settings, fixed)
}

/** What is left of the components of a code after earlier bills; none is below zero. */
const leftOf = ({ taxCodeId, components }: TaxShare, billed: readonly BilledTax[]): Money[] =>
  components.map(({ componentId, amount }) => {
    const before = billed.filter((b) => b.taxCodeId === taxCodeId && b.componentId === componentId)
    const left = before.reduce((rest, b) => subtractMoney(rest, b.amount), amount)
    return largerMoney(left, zeroMoney(amount.currency))
  })

/** What a bill takes of the components of a code: as usual, as far as that is left, and at least and at most so much in all. */
const takeTax = (
  usual: readonly Money[],
  left: readonly Money[],
  { least, most }: { readonly least: Money; readonly most: Money },
): Money[] => {
  const taken = usual.map((u, i) => smallerMoney(u, present(left[i])))
  const missing = subtractMoney(smallerMoney(least, most), sumMoney(taken, least.currency))
  if (!isPositiveMoney(missing)) return taken
  const added = splitMoney(
    missing,
    taken.map((t, i) => decimal(subtractMoney(present(left[i]), t).minor)),
  )
  return taken.map((t, i) => addMoney(t, present(added[i])))
}

const amountOfPart = (line: LineToPrice, quantity: Decimal, currency: string): Money => {
  const after = line.billedQuantity.plus(quantity)
  if (after.gte(line.agreed)) return subtractMoney(line.wholeAmount, line.billedAmount)
  if (line.agreed.eq(0)) return zeroMoney(currency)
  const running = roundToMoney(toDecimal(line.wholeAmount).times(after).div(line.agreed), currency)
  // An amount credited for good may be more than the part is worth: then the part costs nothing, and a later one what is left.
  return largerMoney(subtractMoney(running, line.billedAmount), zeroMoney(currency))
}
