import { present } from '@/core/present'
import {
  addMoney,
  decimal,
  roundToMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  type Decimal,
  type Money,
} from '../money'

/** A line of an issued invoice, with what was credited of it before. */
export interface CreditableLine {
  readonly id: number
  readonly taxCodeId: number
  readonly quantity: Decimal
  readonly net: Money
  readonly tax: Money
  readonly creditedQuantity: Decimal
  readonly creditedNet: Money
  readonly creditedTax: Money
}

/** The tax of one component of the invoice, with what was credited of it before. */
export interface CreditableTax {
  readonly taxCodeId: number
  readonly componentId: number
  readonly amount: Money
  readonly credited: Money
}

export interface CreditPart {
  readonly lineId: number
  readonly quantity: Decimal
  readonly net: Money
  readonly tax: Money
}

export interface Credit {
  readonly lines: readonly CreditPart[]
  /** Every component of the codes concerned, those of no amount too: their base is credited all the same. */
  readonly taxes: readonly {
    readonly taxCodeId: number
    readonly componentId: number
    readonly amount: Money
  }[]
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
}

/** The share of what is left of an amount that goes with some of the quantity left; all of it with the last. */
const shareOfLeft = (whole: Money, credited: Money, quantity: Decimal, left: Decimal): Money => {
  const amount = subtractMoney(whole, credited)
  return quantity.gte(left) ? amount : roundToMoney(toDecimal(amount).times(quantity).div(left), whole.currency)
}

/**
 * Credits quantities of an invoice's lines, mirroring the invoice's amounts and tax: each takes its share of what earlier
 * credits left of its line, so that a line's parts add up to the line, whatever was credited by amount before, and crediting
 * all of it gives exactly the invoice again, component by component. Quantities must not exceed what is left.
 *
 * @example 2 for 100.00, 60.00 credited by amount before: one of them gives 20.00, the other 20.00
 */
export const creditQuantities = (
  lines: readonly CreditableLine[],
  taxes: readonly CreditableTax[],
  quantities: readonly { readonly lineId: number; readonly quantity: Decimal }[],
): Credit => {
  const byId = new Map(lines.map((l) => [l.id, l]))
  const parts = quantities.map(({ lineId, quantity }): CreditPart => {
    const line = present(byId.get(lineId))
    const left = line.quantity.minus(line.creditedQuantity)
    return {
      lineId,
      quantity,
      net: shareOfLeft(line.net, line.creditedNet, quantity, left),
      tax: shareOfLeft(line.tax, line.creditedTax, quantity, left),
    }
  })
  return withTaxes(lines, taxes, parts)
}

/**
 * Credits an amount with tax, shared over the lines by what is left of them, each line's tax in its own proportion. Takes
 * no quantity off any line: a price was lowered, nothing came back. The amount must not exceed what is left.
 */
export const creditAmount = (
  lines: readonly CreditableLine[],
  taxes: readonly CreditableTax[],
  amount: Money,
): Credit => {
  const left = lines.map((l) => ({
    line: l,
    net: subtractMoney(l.net, l.creditedNet),
    tax: subtractMoney(l.tax, l.creditedTax),
  }))
  const shares = splitMoney(
    amount,
    left.map((l) => decimal(addMoney(l.net, l.tax).minor)),
  )
  const parts = left.map(({ line, net, tax }, i): CreditPart => {
    const [netPart, taxPart] = splitMoney(present(shares[i]), [decimal(net.minor), decimal(tax.minor)])
    return { lineId: line.id, quantity: decimal(0), net: present(netPart), tax: present(taxPart) }
  })
  return withTaxes(
    lines,
    taxes,
    parts.filter((p) => p.net.minor !== 0n || p.tax.minor !== 0n),
  )
}

const withTaxes = (
  lines: readonly CreditableLine[],
  taxes: readonly CreditableTax[],
  parts: readonly CreditPart[],
): Credit => {
  const currency = present(lines[0]).net.currency
  const codes = [...new Set(taxes.map((t) => t.taxCodeId))]
  const creditedTaxes = codes.flatMap((taxCodeId) => {
    const components = taxes.filter((t) => t.taxCodeId === taxCodeId)
    const ofCode = lines.filter((l) => l.taxCodeId === taxCodeId)
    const now = sumMoney(
      parts.filter((p) => ofCode.some((l) => l.id === p.lineId)).map((p) => p.tax),
      currency,
    )
    // Over what is left of each component, so that none is ever taken below zero and the last credit takes all.
    const shares = splitMoney(
      now,
      components.map((c) => decimal(subtractMoney(c.amount, c.credited).minor)),
    )
    return ofCode.some((l) => parts.some((p) => p.lineId === l.id))
      ? components.map((c, i) => ({ taxCodeId, componentId: c.componentId, amount: present(shares[i]) }))
      : []
  })
  const net = sumMoney(
    parts.map((p) => p.net),
    currency,
  )
  const tax = sumMoney(
    parts.map((p) => p.tax),
    currency,
  )
  return {
    lines: parts,
    taxes: creditedTaxes,
    net,
    tax,
    gross: addMoney(net, tax),
  }
}
