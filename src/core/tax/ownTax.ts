import { addMoney, negateMoney, sumMoney, type Money } from '../money'
import { present } from '../present'
import { computeTax, type TaxSettings } from './computeTax'
import type { ComponentTax } from './shareTax'
import { sharesOfDiscount } from './taxReturn'
import type { TaxCode, TaxComponent } from './taxCode'

/** A tax code with what a buyer owes under reverse charge; nothing under any other. */
export type OwnTaxCode = TaxCode & { readonly owed: readonly TaxComponent[] }

/** A line of a supplier's bill: as it was billed, what of its net was credited since, and its code. */
export interface BilledLine {
  readonly net: Money
  readonly tax: Money
  readonly credited: Money
  /** None where the line names no code. */
  readonly taxCode: OwnTaxCode | null
}

/**
 * The tax we owe ourselves on a bill under reverse charge (Council Directive 2006/112/EC, articles 194 to 199): on what the lines
 * come to, less what was credited and let off for paying early; by component, positive, rounded as our own documents are.
 *
 * @example 100.00 at 19 %, 25.00 of it credited → net 75.00, tax 14.25
 */
export const ownTax = (
  lines: readonly BilledLine[],
  discount: Money,
  settings: Omit<TaxSettings, 'pricesIncludeTax'>,
): readonly ComponentTax[] => {
  const letOff = sharesOfDiscount(discount, lines)
  const own = lines.flatMap(({ net, credited, taxCode }, i) => {
    if (!taxCode || taxCode.owed.length === 0) return []
    const left = sumMoney([net, negateMoney(credited), present(letOff[i]).net], settings.currency)
    return [{ amount: left, taxCode: { ...taxCode, components: taxCode.owed } }]
  })
  return computeTax(own, { ...settings, pricesIncludeTax: false }).taxes.flatMap(({ taxCodeId, net, components }) =>
    components.map((c) => ({ taxCodeId, componentId: c.componentId, net, amount: c.amount })),
  )
}

/**
 * What brings taxes from what stands to what should: what is the same moves nothing.
 *
 * @example 19.00 stands, 14.25 should → -4.75
 */
export const changeOfTax = (
  should: readonly ComponentTax[],
  stands: readonly ComponentTax[],
): readonly ComponentTax[] => {
  const less = stands.map((t) => ({ ...t, net: negateMoney(t.net), amount: negateMoney(t.amount) }))
  const sums = new Map<number, ComponentTax>()
  for (const t of [...should, ...less]) {
    const before = sums.get(t.componentId)
    sums.set(
      t.componentId,
      before ? { ...t, net: addMoney(before.net, t.net), amount: addMoney(before.amount, t.amount) } : t,
    )
  }
  return [...sums.values()].filter((t) => t.net.minor !== 0n || t.amount.minor !== 0n)
}
