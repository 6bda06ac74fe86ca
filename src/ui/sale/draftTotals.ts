import { present } from '@/core/present'
import { decimal, formatMoney, subtractMoney, sumMoney, ZERO, zeroMoney, type Money } from '@/core/money'
import { lineWorth, marginPercent, shareWholeDiscount } from '@/core/sale'
import { computeTax, type TaxCode, type TaxedDocument } from '@/core/tax'
import { readLess } from './less'
import { amountOf, numberOf, taxCodeOf, type DraftSettings, type LineDraft, type PlainTaxCode } from './lineDraft'

/** A code at the rates a line was agreed at, where they are its own, else at today's. */
const asTaxCode = (c: PlainTaxCode, agreedAt?: number): TaxCode => {
  const { id, components } = c.rates.find((r) => r.id === agreedAt) ?? present(c.rates.find((r) => r.id === c.rateId))
  return { ...c, id, components: components.map((k) => ({ ...k, rate: decimal(k.rate) })) }
}

export interface DraftTotals extends TaxedDocument {
  /** What each line comes to in the basis of the prices, before what is off the whole; counted or not. */
  readonly worths: readonly Money[]
  readonly off: Money
  /** Of the whole, in percent; null where no cost is known. */
  readonly margin: number | null
}

const worthOf = (l: LineDraft, currency: string): Money => {
  const less = readLess(l.less) ?? { percent: '0', amount: '0' }
  const quantity = l.kind === 'line' ? numberOf(l.quantity) : ZERO
  return lineWorth(
    {
      unitPrice: numberOf(l.unitPrice),
      discountPercent: numberOf(less.percent),
      quantity,
      discountAmount: amountOf(less.amount, currency),
      wholeLess: zeroMoney(currency),
    },
    quantity,
  )
}
/** What a line comes to, in the currency of the business; a draft is never changed but replaced, so that it is reckoned once. */
const worths = new WeakMap<LineDraft, Money>()
const worthKept = (l: LineDraft, currency: string): Money => {
  const known = worths.get(l)
  if (known?.currency === currency) return known
  const worth = worthOf(l, currency)
  worths.set(l, worth)
  return worth
}

/** The codes of lines at their rates, each put together once: many lines have the same. */
const codesAtRates = ({ codes, exempt: isExempt, ...where }: DraftSettings) => {
  const exempt = codes.find((c) => c.treatment === 'exempt')
  const made = new Map<string, TaxCode>()
  return (l: LineDraft): TaxCode => {
    const code =
      // What was agreed is not taxed anew because its customer is exempt by now.
      (isExempt && l.rateId === undefined ? exempt : undefined) ??
      codes.find((c) => c.code === taxCodeOf(l, { codes, ...where })) ??
      present(codes[0])
    const key = `${code.code} ${l.rateId ?? ''}`
    const known = made.get(key) ?? asTaxCode(code, l.rateId)
    made.set(key, known)
    return known
  }
}

/** What the lines come to while they are typed: by the very functions that will bill them. */
export const draftTotals = (lines: readonly LineDraft[], wholeLess: string, s: DraftSettings): DraftTotals => {
  const none = zeroMoney(s.currency)
  const codeOf = codesAtRates(s)
  const reckoned = lines.map((l) => worthKept(l, s.currency))
  const counted = reckoned.map((w, i) => (present(lines[i]).chosen ? w : none))
  const off = readLess(wholeLess) ?? { percent: '0', amount: '0' }
  const shares = shareWholeDiscount(
    counted.map((worth) => ({ worth, fixed: null })),
    { percent: numberOf(off.percent), amount: amountOf(off.amount, s.currency) },
  )
  const taxed = computeTax(
    lines.map((l, i) => ({
      amount: subtractMoney(present(counted[i]), present(shares[i])),
      taxCode: codeOf(l),
    })),
    s,
  )
  const costs = lines.filter((l) => l.chosen && l.unitCost && Number(l.unitCost) > 0)
  const cost = costs.reduce((sum, l) => sum.plus(numberOf(present(l.unitCost)).times(numberOf(l.quantity))), ZERO)
  return {
    ...taxed,
    worths: reckoned,
    off: sumMoney(shares, s.currency),
    margin: costs.length === 0 ? null : (marginPercent(taxed.net, cost, 0)?.toNumber() ?? null),
  }
}

/** The margin of a line as a whole percentage of its net, or null where its cost is not known. */
export const lineMargin = (line: LineDraft, net: Money): number | null =>
  !line.unitCost || Number(line.unitCost) === 0
    ? null
    : (marginPercent(net, numberOf(line.unitCost).times(numberOf(line.quantity)), 0)?.toNumber() ?? null)

/** The sums of groups: by the key of the heading, what stands under it comes to, counted lines alone. */
export const groupSums = (
  lines: readonly LineDraft[],
  totals: DraftTotals,
  currency: string,
): ReadonlyMap<string, string> => {
  const sums = new Map<string, Money>()
  let heading: string | null = null
  lines.forEach((l, i) => {
    if (l.kind === 'heading') {
      heading = l.key
      sums.set(heading, zeroMoney(currency))
    } else if (heading !== null && l.chosen)
      sums.set(heading, sumMoney([present(sums.get(heading)), present(totals.worths[i])], currency))
  })
  return new Map([...sums].map(([key, sum]) => [key, formatMoney(sum)]))
}
