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
import { lineAmount, wholeRate } from '@/core/tax'

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
const allowanceOf = (l: Line, amount: (m: Money) => object, currency: string) => {
  if (l.quantity.isZero()) return {}
  const off = subtractMoney(lineAmount({ ...l, discountPercent: ZERO }, currency), l.net)
  return isPositiveMoney(off)
    ? { 'cac:AllowanceCharge': { 'cbc:ChargeIndicator': 'false', 'cbc:Amount': amount(off) } }
    : {}
}

/** Standard letters of UN/CEFACT 5305: S taxed, Z zero-rated, E exempt. */
const CATEGORY = { taxed: 'S', zero: 'Z', exempt: 'E' } as const

/** An issued invoice or credit note as UBL 2.1 (OASIS), or null where there is none. */
export const makeUbl = async (asked: Asked, invoiceId: number): Promise<string | null> => {
  const { business } = asked
  const { currency } = business
  const facts = await readInvoiceFacts(asked, invoiceId)
  if (facts?.invoice.status !== 'issued') return null
  const { invoice, codes, dues, sale } = facts
  const amount = (m: Money) => ({ '#text': toDecimalString(m), '@_currencyID': currency })
  const category = (taxCodeId: number) => {
    const code = present(codes.find((c) => c.id === taxCodeId))
    return {
      'cbc:ID': CATEGORY[code.treatment],
      'cbc:Percent': wholeRate(code).times(100).toString(),
      'cac:TaxScheme': { 'cbc:ID': code.code },
    }
  }
  const taxed = [...new Set(invoice.taxes.map((t) => t.taxCodeId))].map((taxCodeId) => {
    const rows = invoice.taxes.filter((t) => t.taxCodeId === taxCodeId)
    const tax = sumMoney(
      rows.map((r) => r.amount),
      currency,
    )
    return {
      'cbc:TaxableAmount': amount(present(rows[0]).net),
      'cbc:TaxAmount': amount(tax),
      'cac:TaxCategory': category(taxCodeId),
    }
  })
  const credit = invoice.kind === 'credit-note'
  const root = credit ? 'CreditNote' : 'Invoice'
  const open = sumMoney(
    dues.map((d) => d.open),
    currency,
  )
  const prepaid = credit ? zeroMoney(currency) : subtractMoney(invoice.gross, open)
  const document = {
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    [root]: {
      '@_xmlns': `urn:oasis:names:specification:ubl:schema:xsd:${root}-2`,
      ...NAMESPACES,
      'cbc:UBLVersionID': '2.1',
      'cbc:ID': invoice.number,
      'cbc:IssueDate': invoice.on,
      ...(credit || !dues[0] ? {} : { 'cbc:DueDate': dues[0].dueOn }),
      [credit ? 'cbc:CreditNoteTypeCode' : 'cbc:InvoiceTypeCode']: credit ? '381' : '380',
      'cbc:DocumentCurrencyCode': currency,
      'cac:AccountingSupplierParty': party(business.name),
      'cac:AccountingCustomerParty': party(invoice.customerName),
      'cac:TaxTotal': { 'cbc:TaxAmount': amount(invoice.tax), 'cac:TaxSubtotal': taxed },
      'cac:LegalMonetaryTotal': {
        'cbc:LineExtensionAmount': amount(invoice.net),
        'cbc:TaxExclusiveAmount': amount(invoice.net),
        'cbc:TaxInclusiveAmount': amount(invoice.gross),
        'cbc:PrepaidAmount': amount(prepaid),
        'cbc:PayableAmount': amount(credit ? invoice.gross : open),
      },
      [credit ? 'cac:CreditNoteLine' : 'cac:InvoiceLine']: invoice.lines.map((l, i) => ({
        'cbc:ID': i + 1,
        [credit ? 'cbc:CreditedQuantity' : 'cbc:InvoicedQuantity']: {
          '#text': l.quantity.toString(),
          '@_unitCode': 'C62',
        },
        'cbc:LineExtensionAmount': amount(l.net),
        ...(sale.pricesIncludeTax ? {} : allowanceOf(l, amount, currency)),
        'cac:Item': { 'cbc:Name': l.description, 'cac:ClassifiedTaxCategory': category(l.taxCodeId) },
        'cac:Price': {
          'cbc:PriceAmount': { '#text': netPrice(l, sale.pricesIncludeTax), '@_currencyID': currency },
        },
      })),
    },
  }
  return new XMLBuilder({ ignoreAttributes: false, format: true }).build(document) as string
}
