import type { Treatment } from './taxCode'
import { present } from '@/core/present'
import {
  addMoney,
  negateMoney,
  shareInTurn,
  shareMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
} from '../money'
import type { Day } from '../day'
import { rowsBy } from '../rowsBy'

/** Tax that was charged to customers, or paid on what was bought. */
export const TAX_SIDES = ['sales', 'purchases'] as const
export type TaxSide = (typeof TAX_SIDES)[number]
/** When tax is due: with the invoice, or as it is paid. */
export const TAX_BASES = ['invoiced', 'paid'] as const
export type TaxBasis = (typeof TAX_BASES)[number]

/** What an entry moved of a tax: of one code and component, positive where more is owed (sales) or comes back (purchases). */
export interface TaxFact {
  readonly entryId: number
  readonly on: Day
  readonly side: TaxSide
  /** None where tax stands on a bill without a code. */
  readonly taxCodeId: number | null
  /** None where a code has no components, and on purchases. */
  readonly componentId: number | null
  readonly net: Money
  readonly tax: Money
}

/** A row of a return as it is told, and kept once it is filed: amounts and rate as decimal text. */
export interface FiledTaxRow {
  readonly side: TaxSide
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
  readonly component: string | null
  readonly rate: string
  /** Where its tax lies; none on purchases and where a code has no components. */
  readonly accountId: number | null
  readonly net: string
  readonly tax: string
  /** The entries it is the sum of, each with the page of its document. */
  readonly papers: readonly {
    readonly entryId: number
    readonly on: Day
    readonly text: string
    readonly href: string
    readonly net: string
    readonly tax: string
  }[]
}

/** A row of a return: a code and component of one side, with what it is made of. */
export interface TaxRow<F extends TaxFact = TaxFact> {
  readonly side: TaxSide
  readonly taxCodeId: number | null
  readonly componentId: number | null
  readonly net: Money
  readonly tax: Money
  readonly facts: readonly F[]
}

/**
 * The rows of a return, sales before purchases, in the order of their codes and components. Each is the sum of its facts.
 *
 * @example two invoices of 100.00 with 8.25 → one row, net 200.00, tax 16.50
 */
export const taxRows = <F extends TaxFact>(facts: readonly F[], currency: string): readonly TaxRow<F>[] => {
  const groups = rowsBy(facts, (f) => `${f.side}:${f.taxCodeId ?? 0}:${f.componentId ?? 0}`)
  const order = (r: TaxRow<F>): number => TAX_SIDES.indexOf(r.side)
  return [...groups.values()]
    .flatMap((of): TaxRow<F>[] => {
      const [first] = of
      if (!first) return []
      const { side, taxCodeId, componentId } = first
      const sum = (part: (f: F) => Money): Money => sumMoney(of.map(part), currency)
      return [{ side, taxCodeId, componentId, net: sum((f) => f.net), tax: sum((f) => f.tax), facts: of }]
    })
    .sort(
      (a, b) =>
        order(a) - order(b) || (a.taxCodeId ?? 0) - (b.taxCodeId ?? 0) || (a.componentId ?? 0) - (b.componentId ?? 0),
    )
}

/** What a return comes to: tax on sales less tax on purchases. Negative: the authority pays it back. */
export const taxToPay = (
  rows: readonly Pick<TaxRow, 'side' | 'tax'>[],
  currency: string,
): { readonly sales: Money; readonly purchases: Money; readonly due: Money } => {
  const of = (side: TaxSide): Money =>
    sumMoney(
      rows.filter((r) => r.side === side).map((r) => r.tax),
      currency,
    )
  const [sales, purchases] = [of('sales'), of('purchases')]
  return { sales, purchases, due: subtractMoney(sales, purchases) }
}

/**
 * The part of an amount that each payment brings, in their order: what has come by then of it, less what had come before. All
 * paid, the parts are the whole again to the cent, however it was paid; money that goes back takes its part back.
 *
 * @example tax 8.25 of 108.25, paid 54.13 and 54.12 → 4.13 and 4.12
 */
export const sharesOfPayments = (part: Money, of: Money, payments: readonly Money[]): readonly Money[] => {
  let paid = zeroMoney(part.currency)
  return payments.map((payment) => {
    const share = shareInTurn(part, { whole: of, before: paid, part: payment })
    paid = addMoney(paid, payment)
    return share
  })
}

/**
 * What was let off of a bill for paying early, over its lines: first between net and tax of the whole, as it is posted, then each
 * over the lines by what they are worth. In the order of the lines, negative: it takes off what was paid.
 *
 * @example 2.17 off 100.00 net and 8.25 tax of one line → net -2.00, tax -0.17
 */
export const sharesOfDiscount = (
  discount: Money,
  lines: readonly { readonly net: Money; readonly tax: Money }[],
): readonly { readonly net: Money; readonly tax: Money }[] => {
  const { currency } = discount
  const sum = (of: 'net' | 'tax'): Money =>
    sumMoney(
      lines.map((l) => l[of]),
      currency,
    )
  const [net, tax] = shareMoney(discount, [sum('net'), sum('tax')])
  const nets = shareMoney(
    present(net),
    lines.map((l) => l.net),
  )
  const taxes = shareMoney(
    present(tax),
    lines.map((l) => l.tax),
  )
  return lines.map((_, i) => ({ net: negateMoney(present(nets[i])), tax: negateMoney(present(taxes[i])) }))
}
