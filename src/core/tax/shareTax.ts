import { present } from '@/core/present'
import { largerMoney, shareMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '../money'

/** One component's tax in a document. */
export interface ComponentTax {
  readonly taxCodeId: number
  readonly componentId: number
  readonly net: Money
  readonly amount: Money
}

export interface SharedTax {
  /** What is left of the amount without its tax. */
  readonly net: Money
  readonly taxes: readonly ComponentTax[]
}

/**
 * The tax inside a part of a document's total: each component in proportion to its tax, so that net and taxes add up to
 * the part again (left-over cents to the part that lost most). Used where less than billed comes in, a deposit is taxed
 * as it comes, or a debt is written off.
 *
 * @example 2 % of 108.25 with 8.25 tax = 2.17: net 2.00, tax 0.17
 */
export const shareTax = (
  part: Money,
  document: { readonly gross: Money; readonly taxes: readonly ComponentTax[] },
): SharedTax => {
  const net = subtractMoney(
    document.gross,
    sumMoney(
      document.taxes.map((t) => t.amount),
      part.currency,
    ),
  )
  const [ofNet, ...ofTaxes] = shareMoney(part, [net, ...document.taxes.map((t) => t.amount)])
  const bases = shareBases(present(ofNet), net, document.taxes)
  return {
    net: present(ofNet),
    taxes: document.taxes.map((t, i) => ({ ...t, net: present(bases.get(t.taxCodeId)), amount: present(ofTaxes[i]) })),
  }
}

/** The part of the net over the bases of its tax codes, and what is under none of them: they add up to it again. */
const shareBases = (part: Money, net: Money, taxes: readonly ComponentTax[]): Map<number, Money> => {
  const baseOf = new Map(taxes.map((t) => [t.taxCodeId, t.net]))
  const untaxed = subtractMoney(net, sumMoney([...baseOf.values()], net.currency))
  const shares = shareMoney(part, [...baseOf.values(), largerMoney(untaxed, zeroMoney(net.currency))])
  return new Map([...baseOf.keys()].map((code, i) => [code, present(shares[i])]))
}
