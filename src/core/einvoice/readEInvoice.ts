import { isDay, type Day } from '../day'
import {
  addMoney,
  decimal,
  formatMoney,
  isPositiveMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
} from '../money'
import { err, ok, type Result } from '../result'
import { allAt, at, readXml, textAt, type XmlProblem } from '../xml'
import { taxTotalOf, withCharges, withTax, type EInvoiceLine } from './spreadCharges'
import {
  amountsIn,
  notBelowZero,
  numberAt,
  percentOf,
  wrong,
  Wrong,
  type ReadAmount,
  type EInvoiceProblem,
} from './amounts'
import { CII_LISTS, CII_NAMESPACE, ublOfCii } from './ublOfCii'
import { unitName } from './units'

/** A supplier's invoice as a file says it. Lines, with charges as lines of their own, add up to `net` and `tax`. */
export interface EInvoice {
  readonly number: string
  readonly on: Day
  readonly due: Day | null
  readonly supplier: { readonly name: string; readonly taxId: string; readonly iban: string }
  /** The number of our order, as they repeat it. */
  readonly order: string
  readonly lines: readonly EInvoiceLine[]
  readonly net: Money
  readonly tax: Money
  readonly gross: Money
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

const lineOf = (line: unknown, i: number, read: ReadAmount, currency: string): EInvoiceLine => {
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
    quantity: quantity.round(4),
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

const isNamed = (text: string, namespace: string): boolean =>
  text.includes(`"${namespace}"`) || text.includes(`'${namespace}'`)

/** The root of an invoice of a version we read, as UBL has it. */
const rootOf = (text: string): unknown => {
  const read = readXml(text, [...LISTS, ...CII_LISTS])
  if (!read.ok) return wrong('', XML_SAYS[read.error])
  const cii = at(read.value, 'CrossIndustryInvoice')
  if (cii !== null && isNamed(text, CII_NAMESPACE)) return ublOfCii(cii)
  const root = at(read.value, 'Invoice')
  if (root === null)
    return wrong(
      '',
      at(read.value, 'CreditNote') === null
        ? 'This is no e-invoice in UBL or CII. Type this bill by hand.'
        : 'This is a credit note. Enter it on the bill it credits.',
    )
  const version = textAt(root, 'UBLVersionID')
  if (!isNamed(text, NAMESPACE))
    return wrong('', 'This is an invoice of another format than UBL 2. Type this bill by hand.')
  if (version !== '' && version !== '2.1')
    return wrong(
      'version',
      `This file is UBL ${version.slice(0, 10)}. Only 2.1 is read: ask for that, or type the bill.`,
    )
  return root
}

const readInvoice = (text: string, currency: string): EInvoice => {
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
  const total = (of: readonly EInvoiceLine[]): Money =>
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
 * Reads a supplier's invoice in UBL 2.1 (OASIS) or CII (UN/CEFACT, version 100), the two syntaxes of EN 16931, held against what it
 * says itself: its lines make its sums, its sums its total. Only of the currency of the books, without entities, at most 500 lines,
 * in units of UN/ECE Recommendation 20.
 *
 * @example a file whose lines come to 10.00 and whose total says 11.00 → what is wrong, at `totals.lines`
 */
export const readEInvoice = (text: string, currency: string): Result<EInvoice, EInvoiceProblem> => {
  try {
    return ok(readInvoice(text, currency))
  } catch (e) {
    if (e instanceof Wrong) return err(e.problem)
    throw e
  }
}
