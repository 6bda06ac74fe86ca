import { readInvoiceFacts, type InvoiceRow } from '@/model/paper/invoiceFacts'
import type { Asked } from '@/model/where'
import { present } from '@/core/present'
import { XMLBuilder } from 'fast-xml-parser'
import {
  isPositiveMoney,
  subtractMoney,
  toDecimal,
  toDecimalString,
  ZERO,
  type Money,
  sumMoney,
  zeroMoney,
} from '@/core/money'
import { lineAmount, wholeRate, type Treatment } from '@/core/tax'
import { fileName, type NamedFile } from './fileName'

const NAMESPACES = {
  '@_xmlns:cac': 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2',
  '@_xmlns:cbc': 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2',
}

const party = (name: string) => ({
  'cac:Party': {
    'cac:PartyName': { 'cbc:Name': name },
    'cac:PartyLegalEntity': { 'cbc:RegistrationName': name },
  },
})

type Line = InvoiceRow['lines'][number]

/** The unit price without tax: as agreed, or where prices include tax, what one of them comes to without it. */
const netPrice = (l: Line, withTax: boolean): string =>
  withTax && !l.quantity.isZero()
    ? toDecimal(l.net).div(l.quantity).toDecimalPlaces(8).toString()
    : l.unitPrice.toString()

/** What came off a line, as an allowance: price × quantity less it is the line's sum. */
const allowanceOf = (l: Line, currency: string) => {
  if (l.quantity.isZero()) return {}
  const off = subtractMoney(lineAmount({ ...l, discountPercent: ZERO }, currency), l.net)
  return isPositiveMoney(off)
    ? { 'cac:AllowanceCharge': { 'cbc:ChargeIndicator': 'false', 'cbc:Amount': inCurrency(off) } }
    : {}
}

/** Standard letters of UN/CEFACT 5305: S taxed, Z zero-rated, E exempt, AE reverse charge, O outside the scope of tax. */
const CATEGORY: Readonly<Record<Treatment, string>> = {
  taxed: 'S',
  zero: 'Z',
  exempt: 'E',
  'reverse-charge': 'AE',
  'out-of-scope': 'O',
}

type Facts = NonNullable<Awaited<ReturnType<typeof readInvoiceFacts>>>

const inCurrency = (m: Money) => ({ '#text': toDecimalString(m), '@_currencyID': m.currency })

/** The tax category of a code, with the rate its components come to. */
const categoryOf = ({ codes }: Facts, taxCodeId: number) => {
  const code = present(codes.find((c) => c.id === taxCodeId))
  return {
    'cbc:ID': CATEGORY[code.treatment],
    // What is out of scope has no rate, not even one of nothing (EN 16931, BR-O-05).
    ...(code.treatment === 'out-of-scope' ? {} : { 'cbc:Percent': wholeRate(code).times(100).toString() }),
    'cac:TaxScheme': { 'cbc:ID': code.code },
  }
}

/** The same with why nothing is charged, which E, AE and O must say and S and Z must not (BR-E-10, BR-AE-10, BR-O-10, BR-S-10). */
const saidCategory = (facts: Facts, taxCodeId: number) => {
  const { treatment, reason, name } = present(facts.codes.find((c) => c.id === taxCodeId))
  const { 'cac:TaxScheme': scheme, ...category } = categoryOf(facts, taxCodeId)
  const says = treatment === 'taxed' || treatment === 'zero' ? {} : { 'cbc:TaxExemptionReason': reason || name }
  return { ...category, ...says, 'cac:TaxScheme': scheme }
}

/** Tax by code: what of it is taxable, and the tax of all its components. */
const taxSubtotals = (facts: Facts) => {
  const { taxes, net } = facts.invoice
  return [...new Set(taxes.map((t) => t.taxCodeId))].map((taxCodeId) => {
    const rows = taxes.filter((t) => t.taxCodeId === taxCodeId)
    const tax = sumMoney(
      rows.map((r) => r.amount),
      net.currency,
    )
    return {
      'cbc:TaxableAmount': inCurrency(present(rows[0]).net),
      'cbc:TaxAmount': inCurrency(tax),
      'cac:TaxCategory': saidCategory(facts, taxCodeId),
    }
  })
}

const totalsOf = ({ invoice, dues }: Facts) => {
  const { net, gross } = invoice
  const open = sumMoney(
    dues.map((d) => d.open),
    gross.currency,
  )
  const credit = invoice.kind === 'credit-note'
  return {
    'cbc:LineExtensionAmount': inCurrency(net),
    'cbc:TaxExclusiveAmount': inCurrency(net),
    'cbc:TaxInclusiveAmount': inCurrency(gross),
    'cbc:PrepaidAmount': inCurrency(credit ? zeroMoney(gross.currency) : subtractMoney(gross, open)),
    'cbc:PayableAmount': inCurrency(credit ? gross : open),
  }
}

const linesOf = (facts: Facts, quantityName: string) => {
  const { invoice, sale } = facts
  const { currency } = invoice.net
  return invoice.lines.map((l, i) => ({
    'cbc:ID': i + 1,
    [quantityName]: { '#text': l.quantity.toString(), '@_unitCode': 'C62' },
    'cbc:LineExtensionAmount': inCurrency(l.net),
    ...(sale.pricesIncludeTax ? {} : allowanceOf(l, currency)),
    'cac:Item': { 'cbc:Name': l.description, 'cac:ClassifiedTaxCategory': categoryOf(facts, l.taxCodeId) },
    'cac:Price': { 'cbc:PriceAmount': { '#text': netPrice(l, sale.pricesIncludeTax), '@_currencyID': currency } },
  }))
}

/** An issued invoice or credit note as UBL 2.1 (OASIS), named by its number; null where there is none. */
export const makeUbl = async (asked: Asked, invoiceId: number): Promise<NamedFile<string> | null> => {
  const facts = await readInvoiceFacts(asked, invoiceId)
  if (facts?.invoice.status !== 'issued') return null
  const { invoice, dues } = facts
  const credit = invoice.kind === 'credit-note'
  const root = credit ? 'CreditNote' : 'Invoice'
  const document = {
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    [root]: {
      '@_xmlns': `urn:oasis:names:specification:ubl:schema:xsd:${root}-2`,
      ...NAMESPACES,
      'cbc:UBLVersionID': '2.1',
      'cbc:ID': invoice.number,
      'cbc:IssueDate': invoice.on,
      ...(credit || !dues[0] ? {} : { 'cbc:DueDate': dues[0].dueOn }),
      [`cbc:${root}TypeCode`]: credit ? '381' : '380',
      'cbc:DocumentCurrencyCode': asked.business.currency,
      'cac:AccountingSupplierParty': party(asked.business.name),
      'cac:AccountingCustomerParty': party(invoice.customerName),
      'cac:TaxTotal': { 'cbc:TaxAmount': inCurrency(invoice.tax), 'cac:TaxSubtotal': taxSubtotals(facts) },
      'cac:LegalMonetaryTotal': totalsOf(facts),
      [`cac:${root}Line`]: linesOf(facts, credit ? 'cbc:CreditedQuantity' : 'cbc:InvoicedQuantity'),
    },
  }
  const body = new XMLBuilder({ ignoreAttributes: false, format: true }).build(document) as string
  return { body, name: fileName(credit ? 'credit-note' : 'invoice', invoice.number, 'xml') }
}
