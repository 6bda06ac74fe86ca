import {
  addMoney,
  decimal,
  isZeroMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'
import { present } from '../present'
import { allAt, at, textAt } from '../xml'
import { notBelowZero, percentOf, wrong, type ReadAmount } from './amounts'

/** A line of a supplier's invoice. `net` and `tax` are what it bears of the whole invoice, allowances and tax spread. */
export interface EInvoiceLine {
  readonly description: string
  /** What the seller calls it, what the buyer does, and its bar code; empty where it does not say. */
  readonly codes: { readonly seller: string; readonly buyer: string; readonly standard: string }
  readonly quantity: Decimal
  readonly unit: string
  readonly net: Money
  readonly tax: Money
  /** In percent; null where it does not say. */
  readonly taxPercent: Decimal | null
}

/** Allowances less charges of an element: below zero where charges prevail. */
const chargesOf = (node: unknown, path: string, read: ReadAmount) =>
  allAt(node, 'AllowanceCharge').map((c, i) => ({
    isCharge: textAt(c, 'ChargeIndicator') === 'true',
    reason: textAt(c, 'AllowanceChargeReason'),
    amount: notBelowZero(read(c, `${path}.${i}.amount`, 'A charge', ['Amount']), path, 'An allowance or charge'),
    percent: percentOf(at(c, 'TaxCategory')),
  }))

/** An allowance off the whole invoice is spread over its lines, and a charge is a line of its own. */
export const withCharges = (
  lines: readonly EInvoiceLine[],
  root: unknown,
  read: ReadAmount,
  currency: string,
): readonly EInvoiceLine[] => {
  const charges = chargesOf(root, 'charges', read)
  const off = sumMoney(
    charges.filter((c) => !c.isCharge).map((c) => c.amount),
    currency,
  )
  const extra = charges
    .filter((c) => c.isCharge)
    .map((c): EInvoiceLine => ({
      description: c.reason || 'Charge',
      codes: { seller: '', buyer: '', standard: '' },
      quantity: decimal(1),
      unit: 'C62',
      net: c.amount,
      tax: zeroMoney(currency),
      taxPercent: c.percent,
    }))
  if (isZeroMoney(off)) return [...lines, ...extra]
  const weights = lines.map((l) => toDecimal(l.net))
  if (
    off.minor >
    sumMoney(
      lines.map((l) => l.net),
      currency,
    ).minor
  )
    wrong('charges', 'More is taken off this invoice than its lines come to. Type this bill by hand.')
  const shares = splitMoney(off, weights)
  return [...lines.map((l, i) => ({ ...l, net: subtractMoney(l.net, present(shares[i])) })), ...extra]
}

/** The tax in the currency of the books; another total may say it once more in the seller's own. */
export const taxTotalOf = (root: unknown, currency: string): unknown =>
  allAt(root, 'TaxTotal').find((t) => ['', currency].includes(textAt(t, 'TaxAmount', '@_currencyID')))

/** The tax of each line: of each rate of the tax total its share; what no rate of it fits is shared by all that are left. */
export const withTax = (
  lines: readonly EInvoiceLine[],
  root: unknown,
  tax: Money,
  read: ReadAmount,
): readonly EInvoiceLine[] => {
  const subtotals = allAt(taxTotalOf(root, tax.currency), 'TaxSubtotal')
  const taxes = lines.map(() => zeroMoney(tax.currency))
  const share = (amount: Money, rows: readonly number[]): boolean => {
    const weights = rows.map((i) => toDecimal(present(lines[i]).net))
    if (weights.every((x) => x.eq(0))) return isZeroMoney(amount)
    const shares = splitMoney(amount, weights)
    rows.forEach((i, at) => (taxes[i] = addMoney(present(taxes[i]), present(shares[at]))))
    return true
  }
  const all = lines.map((_, i) => i)
  let left = tax
  subtotals.forEach((s, i) => {
    const amount = read(s, `tax.${i}`, 'A sum of tax', ['TaxAmount'])
    const percent = percentOf(at(s, 'TaxCategory'))
    const rows = all.filter((n) => percent !== null && present(lines[n]).taxPercent?.eq(percent))
    if (rows.length > 0 && share(amount, rows)) left = subtractMoney(left, amount)
  })
  if (!isZeroMoney(left) && !share(left, all))
    wrong('tax', 'Tax stands on an invoice of nothing. Type this bill by hand.')
  return lines.map((l, i) => ({ ...l, tax: present(taxes[i]) }))
}
