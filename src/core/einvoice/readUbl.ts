import { isDay, type Day } from '../day'
import {
  addMoney,
  decimal,
  formatMoney,
  isPositiveMoney,
  isZeroMoney,
  money,
  roundToMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  type Decimal,
  type Money,
} from '../money'
import { present } from '../present'
import { err, ok, type Result } from '../result'
import { unitName } from './units'
import { allAt, at, readXml, textAt, type XmlProblem } from '../xml'

/** A line of a supplier's invoice. `net` and `tax` are what it bears of the whole invoice, allowances and tax spread. */
export interface UblLine {
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

/** A supplier's invoice as a file says it. Lines, with charges as lines of their own, add up to `net` and `tax`. */
export interface UblInvoice {
  readonly number: string
  readonly on: Day
  readonly due: Day | null
  readonly supplier: { readonly name: string; readonly taxId: string; readonly iban: string }
  /** The number of our order, as they repeat it. */
  readonly order: string
  readonly lines: readonly UblLine[]
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
}

/** What is wrong with a file, and where in it. */
export interface UblProblem {
  readonly path: string
  readonly message: string
}

const NAMESPACE = 'urn:oasis:names:specification:ubl:schema:xsd:Invoice-2'
const LISTS = ['InvoiceLine', 'AllowanceCharge', 'TaxTotal', 'TaxSubtotal', 'PaymentMeans', 'PaymentTerms']
const MOST_LINES = 500

const XML_SAYS: Readonly<Record<XmlProblem, string>> = {
  'declares-entities':
    'This file declares entities or a document type, which an invoice never needs. Ask for it without.',
  'too-deep': 'This is no invoice: its elements stand in each other too deep. Ask for the file again.',
  broken: 'This file is no valid XML, or was cut off. Ask for it again.',
}

/** Ends reading, with what is wrong. */
class Wrong extends Error {
  constructor(readonly problem: UblProblem) {
    super(problem.message)
  }
}
const wrong = (path: string, message: string): never => {
  throw new Wrong({ path, message })
}

const NUMBER = /^[-+]?\d{1,12}(\.\d{1,10})?$/

const numberAt = (text: string, path: string, name: string): Decimal =>
  NUMBER.test(text) ? decimal(text) : wrong(path, `${name} is “${text.slice(0, 40)}”, which is no number.`)

/** Reads amounts of one currency, each with no more places than it has. */
const amountsIn =
  (currency: string) =>
  (node: unknown, path: string, name: string, names: readonly string[]): Money => {
    const text = textAt(node, ...names)
    const exact = numberAt(text, path, name)
    const rounded = roundToMoney(exact, currency)
    const said = textAt(node, ...names, '@_currencyID')
    if (said !== '' && said !== currency) wrong(path, `${name} is in ${said}, the books are in ${currency}.`)
    if (!toDecimal(rounded).eq(exact)) wrong(path, `${name} is ${text}: more places than ${currency} has.`)
    return rounded
  }

/** The same where it may not be below zero, which a bill has no place for. */
const notBelowZero = (amount: Money, path: string, name: string): Money =>
  amount.minor < 0n ? wrong(path, `${name} is below zero. Type this bill by hand.`) : amount
type ReadAmount = ReturnType<typeof amountsIn>

/** Allowances less charges of an element: below zero where charges prevail. */
const chargesOf = (node: unknown, path: string, read: ReadAmount, currency: string) =>
  allAt(node, 'AllowanceCharge').map((c, i) => ({
    isCharge: textAt(c, 'ChargeIndicator') === 'true',
    reason: textAt(c, 'AllowanceChargeReason'),
    amount: notBelowZero(read(c, `${path}.${i}.amount`, 'A charge', ['Amount']), path, 'An allowance or charge'),
    percent: percentOf(at(c, 'TaxCategory')),
    currency,
  }))

const percentOf = (category: unknown): Decimal | null => {
  const text = textAt(category, 'Percent')
  return NUMBER.test(text) ? decimal(text) : null
}

const lineOf = (line: unknown, i: number, read: ReadAmount, currency: string): UblLine => {
  const path = `lines.${i}`
  const n = i + 1
  const item = at(line, 'Item')
  const quantityText = textAt(line, 'InvoicedQuantity')
  const quantity =
    quantityText === '' ? decimal(1) : numberAt(quantityText, `${path}.quantity`, `The quantity of line ${n}`)
  const unit = textAt(at(line, 'InvoicedQuantity'), '@_unitCode') || 'C62'
  if (!unitName(unit))
    wrong(`${path}.unit`, `The unit “${unit.slice(0, 20)}” of line ${n} is not known. Type this bill by hand.`)
  if (quantity.lt('0.0001') || quantity.gte(100_000_000))
    wrong(`${path}.quantity`, `The quantity of line ${n} is zero, below it, or too large. Type this bill by hand.`)
  return {
    description: textAt(item, 'Name') || textAt(item, 'Description') || `Line ${n}`,
    codes: {
      seller: textAt(item, 'SellersItemIdentification', 'ID'),
      buyer: textAt(item, 'BuyersItemIdentification', 'ID'),
      standard: textAt(item, 'StandardItemIdentification', 'ID'),
    },
    quantity: quantity.toDecimalPlaces(4),
    unit,
    net: notBelowZero(
      read(line, `${path}.amount`, `The amount of line ${n}`, ['LineExtensionAmount']),
      `${path}.amount`,
      `The amount of line ${n}`,
    ),
    tax: zeroMoney(currency),
    taxPercent: percentOf(at(item, 'ClassifiedTaxCategory')),
  }
}

/** An allowance off the whole invoice is spread over its lines, and a charge is a line of its own. */
const withCharges = (
  lines: readonly UblLine[],
  root: unknown,
  read: ReadAmount,
  currency: string,
): readonly UblLine[] => {
  const charges = chargesOf(root, 'charges', read, currency)
  const off = sumMoney(
    charges.filter((c) => !c.isCharge).map((c) => c.amount),
    currency,
  )
  const extra = charges
    .filter((c) => c.isCharge)
    .map((c): UblLine => ({
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
const taxTotalOf = (root: unknown, currency: string): unknown =>
  allAt(root, 'TaxTotal').find((t) => ['', currency].includes(textAt(t, 'TaxAmount', '@_currencyID')))

/** The tax of each line: of each rate of the tax total its share; what no rate of it fits is shared by all that are left. */
const withTax = (lines: readonly UblLine[], root: unknown, tax: Money, read: ReadAmount): readonly UblLine[] => {
  const subtotals = allAt(taxTotalOf(root, tax.currency), 'TaxSubtotal')
  const taxes = lines.map(() => zeroMoney(tax.currency))
  const share = (amount: Money, rows: readonly number[]): boolean => {
    const weights = rows.map((i) => toDecimal(present(lines[i]).net))
    if (weights.every((x) => x.isZero())) return isZeroMoney(amount)
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

const mustBe = (said: Money, sum: Money, path: string, what: string): void => {
  if (said.minor !== sum.minor)
    wrong(
      path,
      `${what} adds up to ${formatMoney(sum)}, but the file says ${formatMoney(said)}. Ask for a bill that adds up.`,
    )
}

const dayAt = (root: unknown, name: string, path: string): Day | null => {
  const text = textAt(root, name).slice(0, 10)
  if (text === '') return null
  return isDay(text) ? text : wrong(path, `${name} is “${text}”, which is no day.`)
}

/** The root of an invoice of the version we read. */
const rootOf = (text: string): unknown => {
  const read = readXml(text, LISTS)
  if (!read.ok) return wrong('', XML_SAYS[read.error])
  const root = at(read.value, 'Invoice')
  if (root === null)
    return wrong(
      '',
      at(read.value, 'CreditNote') === null
        ? 'This is no UBL invoice. Type this bill by hand.'
        : 'This is a credit note. Enter it on the bill it credits.',
    )
  const version = textAt(root, 'UBLVersionID')
  if (!text.includes(`"${NAMESPACE}"`) && !text.includes(`'${NAMESPACE}'`))
    return wrong('', 'This is an invoice of another format than UBL 2. Type this bill by hand.')
  if (version !== '' && version !== '2.1')
    return wrong(
      'version',
      `This file is UBL ${version.slice(0, 10)}. Only 2.1 is read: ask for that, or type the bill.`,
    )
  return root
}

const readInvoice = (text: string, currency: string): UblInvoice => {
  const root = rootOf(text)
  const said = textAt(root, 'DocumentCurrencyCode')
  if (said !== currency) wrong('currency', `This invoice is in ${said || 'no currency'}, the books are in ${currency}.`)
  const read = amountsIn(currency)
  const rows = allAt(root, 'InvoiceLine')
  if (rows.length === 0) wrong('lines', 'There is no line on this invoice.')
  if (rows.length > MOST_LINES) wrong('lines', `More than ${MOST_LINES} lines stand on this invoice.`)
  const plain = rows.map((l, i) => lineOf(l, i, read, currency))
  const sums = at(root, 'LegalMonetaryTotal')
  const sumOf = (name: string, what: string): Money => read(sums, 'totals', what, [name])
  const optional = (name: string, what: string): Money =>
    textAt(sums, name) === '' ? zeroMoney(currency) : sumOf(name, what)
  const total = (of: readonly UblLine[]): Money =>
    sumMoney(
      of.map((l) => l.net),
      currency,
    )
  mustBe(sumOf('LineExtensionAmount', 'The sum of lines'), total(plain), 'totals.lines', 'The sum of lines')
  const lines = withCharges(plain, root, read, currency)
  const net = sumOf('TaxExclusiveAmount', 'The net total')
  mustBe(net, total(lines), 'totals.net', 'The net total')
  const taxTotal = taxTotalOf(root, currency)
  const tax =
    taxTotal === undefined
      ? zeroMoney(currency)
      : notBelowZero(read(taxTotal, 'tax', 'The tax', ['TaxAmount']), 'tax', 'The tax')
  const gross = sumOf('TaxInclusiveAmount', 'The total')
  mustBe(gross, addMoney(net, tax), 'totals.gross', 'The total with tax')
  const payable = addMoney(
    subtractMoney(gross, optional('PrepaidAmount', 'What is paid already')),
    optional('PayableRoundingAmount', 'The rounding'),
  )
  mustBe(sumOf('PayableAmount', 'What is to be paid'), payable, 'totals.payable', 'What is to be paid')
  if (!isPositiveMoney(gross)) wrong('totals.gross', 'This invoice asks for nothing.')
  const party = at(root, 'AccountingSupplierParty', 'Party')
  return {
    number: textAt(root, 'ID') || wrong('number', 'This invoice has no number.'),
    on: dayAt(root, 'IssueDate', 'on') ?? wrong('on', 'This invoice has no date.'),
    due: dayAt(root, 'DueDate', 'due') ?? dayAt(at(root, 'PaymentMeans'), 'PaymentDueDate', 'due'),
    supplier: {
      name: textAt(party, 'PartyName', 'Name') || textAt(party, 'PartyLegalEntity', 'RegistrationName'),
      taxId: textAt(party, 'PartyTaxScheme', 'CompanyID'),
      iban: textAt(root, 'PaymentMeans', 'PayeeFinancialAccount', 'ID').replace(/\s+/g, '').toUpperCase(),
    },
    order: textAt(root, 'OrderReference', 'ID'),
    lines: withTax(lines, root, tax, read),
    net,
    tax,
    gross,
  }
}

/**
 * Reads a supplier's invoice in UBL 2.1 (OASIS), held against what it says itself: its lines make its sums, its sums its total.
 * Only of the currency of the books, without entities, at most 500 lines, in units of UN/ECE Recommendation 20.
 *
 * @example a file whose lines come to 10.00 and whose total says 11.00 → what is wrong, at `totals.lines`
 */
export const readUbl = (text: string, currency: string): Result<UblInvoice, UblProblem> => {
  try {
    return ok(readInvoice(text, currency))
  } catch (e) {
    if (e instanceof Wrong) return err(e.problem)
    throw e
  }
}
