/** Parts of a made-up invoice in UN/CEFACT's Cross Industry Invoice, as its standard writes it: the same as in `ubl.ts`. */
interface Parts {
  readonly type?: string
  readonly currency?: string
  readonly order?: string
  readonly issued?: string
  readonly lines?: string
  readonly charges?: string
  readonly taxes?: string
  readonly totals?: string
}

const rate = (percent: string) =>
  `<ram:TypeCode>VAT</ram:TypeCode><ram:CategoryCode>S</ram:CategoryCode><ram:RateApplicablePercent>${percent}</ram:RateApplicablePercent>`

export const ciiLine = (
  n: number,
  name: string,
  quantity: string,
  net: string,
  more: { unit?: string; code?: string; percent?: string } = {},
) => `
  <ram:IncludedSupplyChainTradeLineItem>
    <ram:AssociatedDocumentLineDocument><ram:LineID>${n}</ram:LineID></ram:AssociatedDocumentLineDocument>
    <ram:SpecifiedTradeProduct>${more.code ? `<ram:SellerAssignedID>${more.code}</ram:SellerAssignedID>` : ''}<ram:Name>${name}</ram:Name></ram:SpecifiedTradeProduct>
    <ram:SpecifiedLineTradeAgreement><ram:NetPriceProductTradePrice><ram:ChargeAmount>${net}</ram:ChargeAmount></ram:NetPriceProductTradePrice></ram:SpecifiedLineTradeAgreement>
    <ram:SpecifiedLineTradeDelivery><ram:BilledQuantity unitCode="${more.unit ?? 'C62'}">${quantity}</ram:BilledQuantity></ram:SpecifiedLineTradeDelivery>
    <ram:SpecifiedLineTradeSettlement>
      <ram:ApplicableTradeTax>${rate(more.percent ?? '10')}</ram:ApplicableTradeTax>
      <ram:SpecifiedTradeSettlementLineMonetarySummation><ram:LineTotalAmount>${net}</ram:LineTotalAmount></ram:SpecifiedTradeSettlementLineMonetarySummation>
    </ram:SpecifiedLineTradeSettlement>
  </ram:IncludedSupplyChainTradeLineItem>`

export const ciiCharge = (isCharge: boolean, value: string, reason: string) => `
  <ram:SpecifiedTradeAllowanceCharge>
    <ram:ChargeIndicator><udt:Indicator>${isCharge}</udt:Indicator></ram:ChargeIndicator>
    <ram:ActualAmount>${value}</ram:ActualAmount><ram:Reason>${reason}</ram:Reason>
    <ram:CategoryTradeTax>${rate('10')}</ram:CategoryTradeTax>
  </ram:SpecifiedTradeAllowanceCharge>`

export const ciiTax = (rates: readonly (readonly [percent: string, tax: string])[]) =>
  rates
    .map(
      ([percent, tax]) =>
        `<ram:ApplicableTradeTax><ram:CalculatedAmount>${tax}</ram:CalculatedAmount><ram:BasisAmount>0.00</ram:BasisAmount>${rate(percent)}</ram:ApplicableTradeTax>`,
    )
    .join('')

export const ciiTotals = (lines: string, net: string, tax: string, gross: string, payable = gross, more = '') => `
  <ram:SpecifiedTradeSettlementHeaderMonetarySummation>
    <ram:LineTotalAmount>${lines}</ram:LineTotalAmount><ram:TaxBasisTotalAmount>${net}</ram:TaxBasisTotalAmount>
    <ram:TaxTotalAmount currencyID="USD">${tax}</ram:TaxTotalAmount>${more}
    <ram:GrandTotalAmount>${gross}</ram:GrandTotalAmount><ram:DuePayableAmount>${payable}</ram:DuePayableAmount>
  </ram:SpecifiedTradeSettlementHeaderMonetarySummation>`

const NS = 'urn:un:unece:uncefact:data:standard'
const day = (name: string, on: string) =>
  `<ram:${name}><udt:DateTimeString format="102">${on}</udt:DateTimeString></ram:${name}>`

/** Two lines, 30.00 of rosin and 10.00 of carriage, with ten percent of tax. */
export const ciiInvoice = (p: Parts = {}): string => `<?xml version="1.0" encoding="UTF-8"?>
<rsm:CrossIndustryInvoice xmlns:rsm="${NS}:CrossIndustryInvoice:100" xmlns:ram="${NS}:ReusableAggregateBusinessInformationEntity:100" xmlns:udt="${NS}:UnqualifiedDataType:100">
  <rsm:ExchangedDocumentContext><ram:GuidelineSpecifiedDocumentContextParameter><ram:ID>urn:cen.eu:en16931:2017</ram:ID></ram:GuidelineSpecifiedDocumentContextParameter></rsm:ExchangedDocumentContext>
  <rsm:ExchangedDocument><ram:ID>GW-77</ram:ID><ram:TypeCode>${p.type ?? '380'}</ram:TypeCode>${day('IssueDateTime', p.issued ?? '20260227')}</rsm:ExchangedDocument>
  <rsm:SupplyChainTradeTransaction>
    ${p.lines ?? ciiLine(1, 'Rosin &amp; cloth', '4', '30.00', { code: 'GW-R' }) + ciiLine(2, 'Carriage', '1', '10.00')}
    <ram:ApplicableHeaderTradeAgreement>
      <ram:SellerTradeParty><ram:Name>Gutwerk Strings</ram:Name>
        <ram:SpecifiedTaxRegistration><ram:ID schemeID="FC">201/113/40209</ram:ID></ram:SpecifiedTaxRegistration>
        <ram:SpecifiedTaxRegistration><ram:ID schemeID="VA">DE123456789</ram:ID></ram:SpecifiedTaxRegistration>
      </ram:SellerTradeParty>
      ${p.order ? `<ram:BuyerOrderReferencedDocument><ram:IssuerAssignedID>${p.order}</ram:IssuerAssignedID></ram:BuyerOrderReferencedDocument>` : ''}
    </ram:ApplicableHeaderTradeAgreement>
    <ram:ApplicableHeaderTradeDelivery/>
    <ram:ApplicableHeaderTradeSettlement>
      <ram:InvoiceCurrencyCode>${p.currency ?? 'USD'}</ram:InvoiceCurrencyCode>
      <ram:SpecifiedTradeSettlementPaymentMeans><ram:TypeCode>58</ram:TypeCode><ram:PayeePartyCreditorFinancialAccount><ram:IBANID>DE89 3704 0044 0532 0130 00</ram:IBANID></ram:PayeePartyCreditorFinancialAccount></ram:SpecifiedTradeSettlementPaymentMeans>
      ${p.taxes ?? ciiTax([['10', '4.00']])}
      ${p.charges ?? ''}
      <ram:SpecifiedTradePaymentTerms>${day('DueDateDateTime', '20260329')}</ram:SpecifiedTradePaymentTerms>
      ${p.totals ?? ciiTotals('40.00', '40.00', '4.00', '44.00')}
    </ram:ApplicableHeaderTradeSettlement>
  </rsm:SupplyChainTradeTransaction>
</rsm:CrossIndustryInvoice>`
