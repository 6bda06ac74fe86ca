/** Parts of a made-up invoice in UBL 2.1, as its standard writes it; what is given stands instead of what is usual. */
interface Parts {
  readonly root?: string
  readonly head?: string
  readonly id?: string
  readonly currency?: string
  readonly seller?: string
  readonly order?: string
  readonly lines?: string
  readonly charges?: string
  readonly tax?: string
  readonly totals?: string
}

const amount = (name: string, value: string, currency = 'USD') =>
  `<cbc:${name} currencyID="${currency}">${value}</cbc:${name}>`

/** A line: so many of a thing, what they come to without tax, and the percent of tax on them. */
export const ublLine = (
  n: number,
  name: string,
  quantity: string,
  net: string,
  more: { unit?: string; code?: string; percent?: string } = {},
) => `
  <cac:InvoiceLine>
    <cbc:ID>${n}</cbc:ID>
    <cbc:InvoicedQuantity unitCode="${more.unit ?? 'C62'}">${quantity}</cbc:InvoicedQuantity>
    ${amount('LineExtensionAmount', net)}
    <cac:Item>
      <cbc:Name>${name}</cbc:Name>
      ${more.code ? `<cac:SellersItemIdentification><cbc:ID>${more.code}</cbc:ID></cac:SellersItemIdentification>` : ''}
      <cac:ClassifiedTaxCategory><cbc:ID>S</cbc:ID><cbc:Percent>${more.percent ?? '10'}</cbc:Percent><cac:TaxScheme><cbc:ID>VAT</cbc:ID></cac:TaxScheme></cac:ClassifiedTaxCategory>
    </cac:Item>
    <cac:Price>${amount('PriceAmount', net)}</cac:Price>
  </cac:InvoiceLine>`

/** So much of allowance (or charge) on the whole invoice. */
export const ublCharge = (isCharge: boolean, value: string, reason: string) => `
  <cac:AllowanceCharge>
    <cbc:ChargeIndicator>${isCharge}</cbc:ChargeIndicator>
    <cbc:AllowanceChargeReason>${reason}</cbc:AllowanceChargeReason>
    ${amount('Amount', value)}
    <cac:TaxCategory><cbc:ID>S</cbc:ID><cbc:Percent>10</cbc:Percent><cac:TaxScheme><cbc:ID>VAT</cbc:ID></cac:TaxScheme></cac:TaxCategory>
  </cac:AllowanceCharge>`

export const ublTax = (tax: string, rates: readonly (readonly [percent: string, tax: string])[]) => `
  <cac:TaxTotal>
    ${amount('TaxAmount', tax)}
    ${rates.map(([percent, part]) => `<cac:TaxSubtotal>${amount('TaxableAmount', '0.00')}${amount('TaxAmount', part)}<cac:TaxCategory><cbc:ID>S</cbc:ID><cbc:Percent>${percent}</cbc:Percent></cac:TaxCategory></cac:TaxSubtotal>`).join('')}
  </cac:TaxTotal>`

export const ublTotals = (lines: string, net: string, gross: string, payable = gross, more = '') => `
  <cac:LegalMonetaryTotal>
    ${amount('LineExtensionAmount', lines)}${amount('TaxExclusiveAmount', net)}${amount('TaxInclusiveAmount', gross)}
    ${more}${amount('PayableAmount', payable)}
  </cac:LegalMonetaryTotal>`

const NS = 'urn:oasis:names:specification:ubl:schema:xsd'

/** Two lines, 30.00 of rosin and 10.00 of carriage, with ten percent of tax. */
export const ublInvoice = (p: Parts = {}): string => `<?xml version="1.0" encoding="UTF-8"?>
${p.head ?? ''}
<Invoice xmlns="${p.root ?? `${NS}:Invoice-2`}" xmlns:cac="${NS}:CommonAggregateComponents-2" xmlns:cbc="${NS}:CommonBasicComponents-2">
  <cbc:UBLVersionID>2.1</cbc:UBLVersionID>
  <cbc:ID>${p.id ?? 'GW-77'}</cbc:ID>
  <cbc:IssueDate>2026-02-27</cbc:IssueDate>
  <cbc:DueDate>2026-03-29</cbc:DueDate>
  <cbc:InvoiceTypeCode>380</cbc:InvoiceTypeCode>
  <cbc:DocumentCurrencyCode>${p.currency ?? 'USD'}</cbc:DocumentCurrencyCode>
  ${p.order ? `<cac:OrderReference><cbc:ID>${p.order}</cbc:ID></cac:OrderReference>` : ''}
  <cac:AccountingSupplierParty><cac:Party><cac:PartyName><cbc:Name>${p.seller ?? 'Gutwerk Strings'}</cbc:Name></cac:PartyName></cac:Party></cac:AccountingSupplierParty>
  <cac:PaymentMeans><cbc:PaymentMeansCode>30</cbc:PaymentMeansCode><cac:PayeeFinancialAccount><cbc:ID>DE89 3704 0044 0532 0130 00</cbc:ID></cac:PayeeFinancialAccount></cac:PaymentMeans>
  ${p.charges ?? ''}
  ${p.tax ?? ublTax('4.00', [['10', '4.00']])}
  ${p.totals ?? ublTotals('40.00', '40.00', '44.00')}
  ${p.lines ?? ublLine(1, 'Rosin &amp; cloth', '4', '30.00', { code: 'GW-R' }) + ublLine(2, 'Carriage', '1', '10.00')}
</Invoice>`
