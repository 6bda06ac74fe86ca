import { allAt, at, textAt, type XmlNode } from '../xml'
import { wrong } from './amounts'

/** Elements of CII that may stand more than once. */
export const CII_LISTS = [
  'IncludedSupplyChainTradeLineItem',
  'SpecifiedTradeAllowanceCharge',
  'ApplicableTradeTax',
  'TaxTotalAmount',
  'SpecifiedTaxRegistration',
  'SpecifiedTradePaymentTerms',
  'SpecifiedTradeSettlementPaymentMeans',
]
export const CII_NAMESPACE = 'urn:un:unece:uncefact:data:standard:CrossIndustryInvoice:100'

/** Kinds of documents (UNTDID 1001) that take back what an invoice asked for. */
const CREDITS = new Set(['81', '83', '261', '262', '296', '308', '381', '396', '420', '458', '532'])

/** An amount as it stands here, with the currency it is in where it says so. */
const amount = (node: unknown, ...names: readonly string[]): XmlNode | undefined => {
  const text = textAt(node, ...names)
  return text === '' ? undefined : { '#text': text, '@_currencyID': textAt(node, ...names, '@_currencyID') }
}

/** `20260311` as `2026-03-11`; what is written in another form stays, and is refused as no day. */
const day = (node: unknown, ...names: readonly string[]): string =>
  textAt(node, ...names, 'DateTimeString').replace(/^(\d{4})(\d{2})(\d{2})$/, '$1-$2-$3')

const percent = (tax: unknown): XmlNode => ({ Percent: textAt(tax, 'RateApplicablePercent') })

const lineOf = (line: unknown): XmlNode => {
  const product = at(line, 'SpecifiedTradeProduct')
  const settled = at(line, 'SpecifiedLineTradeSettlement')
  const quantity = at(line, 'SpecifiedLineTradeDelivery', 'BilledQuantity')
  return {
    InvoicedQuantity: { '#text': textAt({ quantity }, 'quantity'), '@_unitCode': textAt(quantity, '@_unitCode') },
    LineExtensionAmount: amount(settled, 'SpecifiedTradeSettlementLineMonetarySummation', 'LineTotalAmount'),
    Item: {
      Name: textAt(product, 'Name'),
      Description: textAt(product, 'Description'),
      SellersItemIdentification: { ID: textAt(product, 'SellerAssignedID') },
      BuyersItemIdentification: { ID: textAt(product, 'BuyerAssignedID') },
      StandardItemIdentification: { ID: textAt(product, 'GlobalID') },
      ClassifiedTaxCategory: percent(allAt(settled, 'ApplicableTradeTax')[0]),
    },
  }
}

const chargeOf = (charge: unknown): XmlNode => ({
  ChargeIndicator: textAt(charge, 'ChargeIndicator', 'Indicator'),
  AllowanceChargeReason: textAt(charge, 'Reason'),
  Amount: amount(charge, 'ActualAmount'),
  TaxCategory: percent(at(charge, 'CategoryTradeTax')),
})

/** The tax in each currency it is said in; by rate it is said in that of the invoice alone. */
const taxTotals = (settled: unknown, sums: unknown): readonly XmlNode[] => {
  const currency = textAt(settled, 'InvoiceCurrencyCode')
  const rates = allAt(settled, 'ApplicableTradeTax').map((t) => ({
    TaxAmount: amount(t, 'CalculatedAmount'),
    TaxCategory: percent(t),
  }))
  return allAt(sums, 'TaxTotalAmount').map((total) => ({
    TaxAmount: amount({ total }, 'total'),
    TaxSubtotal: ['', currency].includes(textAt(total, '@_currencyID')) ? rates : [],
  }))
}

/**
 * An invoice in UN/CEFACT's Cross Industry Invoice, as the same invoice reads in UBL: the European norm binds each of its terms to an
 * element of both. What has no place in a bill is left out.
 *
 * @example BilledQuantity unitCode C62, 4 → InvoicedQuantity unitCode C62, 4
 */
export const ublOfCii = (invoice: unknown): XmlNode => {
  const document = at(invoice, 'ExchangedDocument')
  if (CREDITS.has(textAt(document, 'TypeCode')))
    return wrong('', 'This is a credit note. Enter it on the bill it credits.')
  const trade = at(invoice, 'SupplyChainTradeTransaction')
  const agreed = at(trade, 'ApplicableHeaderTradeAgreement')
  const settled = at(trade, 'ApplicableHeaderTradeSettlement')
  const sums = at(settled, 'SpecifiedTradeSettlementHeaderMonetarySummation')
  const seller = at(agreed, 'SellerTradeParty')
  const vat = allAt(seller, 'SpecifiedTaxRegistration').find((r) => textAt(r, 'ID', '@_schemeID') === 'VA')
  const account = at(settled, 'SpecifiedTradeSettlementPaymentMeans', 'PayeePartyCreditorFinancialAccount')
  return {
    ID: textAt(document, 'ID'),
    IssueDate: day(document, 'IssueDateTime'),
    DueDate: day(settled, 'SpecifiedTradePaymentTerms', 'DueDateDateTime'),
    DocumentCurrencyCode: textAt(settled, 'InvoiceCurrencyCode'),
    OrderReference: { ID: textAt(agreed, 'BuyerOrderReferencedDocument', 'IssuerAssignedID') },
    AccountingSupplierParty: {
      Party: {
        PartyName: { Name: textAt(seller, 'SpecifiedLegalOrganization', 'TradingBusinessName') },
        PartyLegalEntity: { RegistrationName: textAt(seller, 'Name') },
        PartyTaxScheme: { CompanyID: textAt(vat, 'ID') },
      },
    },
    PaymentMeans: [{ PayeeFinancialAccount: { ID: textAt(account, 'IBANID') || textAt(account, 'ProprietaryID') } }],
    AllowanceCharge: allAt(settled, 'SpecifiedTradeAllowanceCharge').map(chargeOf),
    TaxTotal: taxTotals(settled, sums),
    LegalMonetaryTotal: {
      LineExtensionAmount: amount(sums, 'LineTotalAmount'),
      TaxExclusiveAmount: amount(sums, 'TaxBasisTotalAmount'),
      TaxInclusiveAmount: amount(sums, 'GrandTotalAmount'),
      PrepaidAmount: amount(sums, 'TotalPrepaidAmount'),
      PayableRoundingAmount: amount(sums, 'RoundingAmount'),
      PayableAmount: amount(sums, 'DuePayableAmount'),
    },
    InvoiceLine: allAt(trade, 'IncludedSupplyChainTradeLineItem').map(lineOf),
  }
}
