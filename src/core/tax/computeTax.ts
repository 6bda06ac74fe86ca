import type { TaxRoundedPer } from '@/core/kinds'
import { present } from '@/core/present'
import {
  addMoney,
  decimal,
  multiplyMoney,
  roundToMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  type Money,
} from '../money'
import { wholeRate, type TaxCode } from './taxCode'

export interface TaxedAmount {
  /** Net of tax, or with tax when `pricesIncludeTax`. Already rounded; may be negative. */
  readonly amount: Money
  readonly taxCode: TaxCode
}

export interface TaxShare {
  readonly taxCodeId: number
  readonly net: Money
  readonly components: readonly { readonly componentId: number; readonly amount: Money }[]
}

export interface TaxedDocument {
  /** One for each line given, in the same order. Nets add up to `net`, taxes to `tax`. */
  readonly lines: readonly { readonly net: Money; readonly tax: Money; readonly gross: Money }[]
  /** One for each tax code used, in order of first use. */
  readonly taxes: readonly TaxShare[]
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
}

export interface TaxSettings {
  readonly currency: string
  readonly pricesIncludeTax: boolean
  readonly roundPer: TaxRoundedPer
}

/**
 * Tax of a document.
 *
 * Prices without tax: per code and component, tax = Σ net × rate, rounded there. Prices with tax: per code,
 * net = Σ gross ÷ (1 + rate), rounded, and tax is what remains, so the total never moves by a cent; components share the
 * tax by largest remainder. A line's own net and tax are its share of its code's, by largest remainder, so that lines
 * add up to the document.
 *
 * `fixed` gives the component amounts of a code beforehand, by tax code id: the last part invoice takes what is left of the
 * whole tax, whatever its own lines would round to.
 *
 * @example lines 19.99 + 5.00 at 8.25 %: net 24.99, tax 2.061675 → 2.06, gross 27.05
 * @example prices with tax, 119.00 at 19 %: net 100.00, tax 19.00
 */
export const computeTax = (
  lines: readonly TaxedAmount[],
  settings: TaxSettings,
  fixed: ReadonlyMap<number, readonly Money[]> = new Map(),
): TaxedDocument => {
  const { currency } = settings
  const nets: Money[] = []
  const taxesOfLines: Money[] = []
  const shares: TaxShare[] = []

  for (const group of groupByCode(lines)) {
    const amounts = group.map((index) => present(lines[index]).amount)
    const code = present(lines[present(group[0])]).taxCode
    const given = fixed.get(code.id)
    const perLine = settings.roundPer === 'line' && !given
    const parts = given
      ? [takeFixed(sumMoney(amounts, currency), given, settings)]
      : (perLine ? amounts : [sumMoney(amounts, currency)]).map((a) => taxOf(a, code, settings))
    const share: TaxShare = {
      taxCodeId: code.id,
      net: sumMoney(
        parts.map((p) => p.net),
        currency,
      ),
      components: code.components.map((component, i) => ({
        componentId: component.id,
        amount: sumMoney(
          parts.map((p) => present(p.components[i])),
          currency,
        ),
      })),
    }
    shares.push(share)
    const tax = sumMoney(
      share.components.map((c) => c.amount),
      currency,
    )
    const lineTaxes = perLine ? parts.map((p) => sumMoney(p.components, currency)) : shareOut(tax, amounts)
    group.forEach((index, i) => {
      taxesOfLines[index] = present(lineTaxes[i])
      nets[index] = settings.pricesIncludeTax
        ? subtractMoney(present(amounts[i]), present(lineTaxes[i]))
        : present(amounts[i])
    })
  }
  const net = sumMoney(nets, currency)
  const tax = sumMoney(taxesOfLines, currency)
  return {
    lines: nets.map((n, i) => ({
      net: n,
      tax: present(taxesOfLines[i]),
      gross: addMoney(n, present(taxesOfLines[i])),
    })),
    taxes: shares,
    net,
    tax,
    gross: addMoney(net, tax),
  }
}

const groupByCode = (lines: readonly TaxedAmount[]): number[][] => {
  const groups = new Map<number, number[]>()
  lines.forEach((line, index) => {
    const group = groups.get(line.taxCode.id)
    if (group) group.push(index)
    else groups.set(line.taxCode.id, [index])
  })
  return [...groups.values()]
}

const taxOf = (amount: Money, code: TaxCode, settings: TaxSettings): { net: Money; components: Money[] } => {
  if (code.components.length === 0) return { net: amount, components: [] }
  if (!settings.pricesIncludeTax) {
    return { net: amount, components: code.components.map((c) => multiplyMoney(amount, c.rate)) }
  }
  const net = roundToMoney(toDecimal(amount).div(wholeRate(code).plus(1)), settings.currency)
  return {
    net,
    components: splitMoney(
      subtractMoney(amount, net),
      code.components.map((c) => c.rate),
    ),
  }
}

const takeFixed = (amount: Money, components: readonly Money[], settings: TaxSettings) => ({
  net: settings.pricesIncludeTax ? subtractMoney(amount, sumMoney(components, settings.currency)) : amount,
  components: [...components],
})

/** Shares a code's tax over its lines by the absolute size of their amounts. */
const shareOut = (tax: Money, amounts: readonly Money[]): Money[] =>
  splitMoney(
    tax,
    amounts.map((a) => decimal(a.minor < 0n ? -a.minor : a.minor)),
  )
