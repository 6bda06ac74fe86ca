import { readInvoiceFacts, type InvoiceRow } from '@/model/paper/invoiceFacts'
import type { Asked } from '@/model/where'
import { present } from '@/core/present'
import { countryOf, homeCountry } from '@/core/formats'
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
import { writeXml } from '@/core/xml'
import { fileName, type NamedFile } from './fileName'

const NAMESPACES = {
  '@_xmlns:cac': 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2',
  '@_xmlns:cbc': 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2',
}

/** EN 16931 itself, without rules of a country on top (BT-24). */
const EN_16931 = 'urn:cen.eu:en16931:2017'
/** The tax of EN 16931 is known by one name, whatever it is called at home (BT-95, BT-118, BT-151). */
const SCHEME = { 'cbc:ID': 'VAT' }

interface Party {
  readonly name: string
  readonly address: string
  readonly country: string
  readonly taxNumber: string
}

/** An address as it is written: its first lines where they are looked for, the others after them (BG-5, BG-8). */
const postalAddress = ({ address, country }: Party) => {
  const said = address
    .trim()
    .split('\n')
    .map((l) => l.trim())
  const [street, additional, ...rest] = said.filter(
    (l, i) => l !== '' && !(i === said.length - 1 && countryOf(address)),
  )
  return {
    ...(street ? { 'cbc:StreetName': street } : {}),
    ...(additional ? { 'cbc:AdditionalStreetName': additional } : {}),
    ...(rest.length > 0 ? { 'cac:AddressLine': { 'cbc:Line': rest.join(', ') } } : {}),
    'cac:Country': { 'cbc:IdentificationCode': country },
  }
}

/** A tax number begins with its country (BR-CO-09). */
const withCountry = (number: string, country: string): string => {
  const plain = number.replace(/\s/g, '').toUpperCase()
  return /^[A-Z]{2}/.test(plain) ? plain : country + plain
}

/** What is outside the scope of tax names no tax numbers (BR-O-02): who sells is known by the number of the business then. */
const party = (p: Party, isTaxed: boolean) => ({
  'cac:Party': {
    'cac:PartyName': { 'cbc:Name': p.name },
    'cac:PostalAddress': postalAddress(p),
    ...(p.taxNumber === '' || !isTaxed
      ? {}
      : {
          'cac:PartyTaxScheme': { 'cbc:CompanyID': withCountry(p.taxNumber, p.country), 'cac:TaxScheme': SCHEME },
        }),
    'cac:PartyLegalEntity': {
      'cbc:RegistrationName': p.name,
      ...(p.taxNumber === '' || isTaxed ? {} : { 'cbc:CompanyID': p.taxNumber }),
    },
  },
})

/** Who sells and who buys; where an address names no country, it is ours. */
const partiesOf = ({ business }: Asked, { says }: Facts) => {
  const home = countryOf(says.seller.address) ?? homeCountry(business.locale)
  return {
    seller: { ...says.seller, country: home },
    buyer: {
      name: says.name,
      address: says.billTo,
      country: countryOf(says.billTo) ?? home,
      taxNumber: says.exemptNumber,
    },
  }
}

/** The tax codes of an invoice. */
const codesOf = ({ codes, invoice }: Facts) => codes.filter((c) => invoice.taxes.some((t) => t.taxCodeId === c.id))

/** Whether it may say that it holds against EN 16931: numbers that tell the parties apart are there (BR-CO-26, BR-S-02, BR-AE-02). */
const isWhole = (seller: Party, buyer: Party, facts: Facts): boolean =>
  seller.taxNumber !== '' && (buyer.taxNumber !== '' || codesOf(facts).every((c) => c.treatment !== 'reverse-charge'))

type Line = InvoiceRow['lines'][number]

/** The unit price without tax: as agreed, or where prices include tax, what one of them comes to without it. */
const netPrice = (l: Line, withTax: boolean): string =>
  withTax && !l.quantity.eq(0) ? toDecimal(l.net).div(l.quantity).round(8).toString() : l.unitPrice.toString()

/** What came off a line, as an allowance: price × quantity less it is the line's sum. */
const allowanceOf = (l: Line, currency: string) => {
  if (l.quantity.eq(0)) return {}
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
    'cac:TaxScheme': SCHEME,
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
  const { seller, buyer } = partiesOf(asked, facts)
  const isTaxed = codesOf(facts).every((c) => c.treatment !== 'out-of-scope')
  const body = writeXml({
    [root]: {
      '@_xmlns': `urn:oasis:names:specification:ubl:schema:xsd:${root}-2`,
      ...NAMESPACES,
      'cbc:UBLVersionID': '2.1',
      ...(isWhole(seller, buyer, facts) ? { 'cbc:CustomizationID': EN_16931 } : {}),
      'cbc:ID': invoice.number,
      'cbc:IssueDate': invoice.on,
      ...(credit || !dues[0] ? {} : { 'cbc:DueDate': dues[0].dueOn }),
      [`cbc:${root}TypeCode`]: credit ? '381' : '380',
      'cbc:DocumentCurrencyCode': asked.business.currency,
      ...(facts.credited
        ? { 'cac:BillingReference': { 'cac:InvoiceDocumentReference': { 'cbc:ID': facts.credited.number } } }
        : {}),
      'cac:AccountingSupplierParty': party(seller, isTaxed),
      'cac:AccountingCustomerParty': party(buyer, isTaxed),
      // What is to be paid says when (BR-CO-25); a credit has no day.
      ...(credit ? { 'cac:PaymentTerms': { 'cbc:Note': 'Credited to your account.' } } : {}),
      'cac:TaxTotal': { 'cbc:TaxAmount': inCurrency(invoice.tax), 'cac:TaxSubtotal': taxSubtotals(facts) },
      'cac:LegalMonetaryTotal': totalsOf(facts),
      [`cac:${root}Line`]: linesOf(facts, credit ? 'cbc:CreditedQuantity' : 'cbc:InvoicedQuantity'),
    },
  })
  return { body, name: fileName(credit ? 'credit-note' : 'invoice', invoice.number, 'xml') }
}
