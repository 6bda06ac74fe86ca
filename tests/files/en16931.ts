/* oxlint-disable typescript/no-explicit-any -- a document of somebody else's shape is read as it comes */

const listOf = (value: any): any[] => (value === undefined ? [] : Array.isArray(value) ? value : [value])
const text = (value: any): string => String(value?.['#text'] ?? value ?? '')
const cents = (value: any): number => Math.round(Number(text(value)) * 100)
const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0)

/** A document of UBL 2.1, read without the beginnings of its names. */
interface Document {
  readonly root: any
  readonly lines: readonly any[]
  readonly total: any
  readonly subtotals: readonly any[]
  readonly categories: readonly any[]
}
type Rule = readonly [name: string, holds: (d: Document) => boolean]

const seller = ({ root }: Document) => root.AccountingSupplierParty.Party
const buyer = ({ root }: Document) => root.AccountingCustomerParty.Party
const country = (party: any): string => text(party.PostalAddress?.Country?.IdentificationCode)
const lettersOf = (d: Document): string[] => d.categories.map((c) => text(c.ID))
const reason = (c: any): string => text(c.TaxExemptionReason)
const has = (letter: string, d: Document): boolean => lettersOf(d).includes(letter)
const numberOf = (party: any): string => text(party.PartyTaxScheme?.CompanyID)

/** Rules of EN 16931-1 as they are published for UBL 2.1, those that our documents can break. */
const RULES: readonly Rule[] = [
  ['BR-01', ({ root }) => text(root.CustomizationID) === 'urn:cen.eu:en16931:2017'],
  ['BR-02', ({ root }) => text(root.ID) !== ''],
  ['BR-03', ({ root }) => /^\d{4}-\d\d-\d\d$/.test(text(root.IssueDate))],
  ['BR-04', ({ root }) => ['380', '381'].includes(text(root.InvoiceTypeCode ?? root.CreditNoteTypeCode))],
  ['BR-05', ({ root }) => /^[A-Z]{3}$/.test(text(root.DocumentCurrencyCode))],
  ['BR-06', (d) => text(seller(d).PartyLegalEntity.RegistrationName) !== ''],
  ['BR-07', (d) => text(buyer(d).PartyLegalEntity.RegistrationName) !== ''],
  ['BR-08 and BR-09', (d) => /^[A-Z]{2}$/.test(country(seller(d)))],
  ['BR-10 and BR-11', (d) => /^[A-Z]{2}$/.test(country(buyer(d)))],
  [
    'BR-12 to BR-15',
    ({ total }) =>
      ['LineExtensionAmount', 'TaxExclusiveAmount', 'TaxInclusiveAmount', 'PayableAmount'].every((n) => n in total),
  ],
  ['BR-16', ({ lines }) => lines.length > 0],
  ['BR-21 to BR-26', ({ lines }) => lines.every((l) => text(l.ID) && text(l.Item.Name) && text(l.Price.PriceAmount))],
  ['BR-27', ({ lines }) => lines.every((l) => Number(text(l.Price.PriceAmount)) >= 0)],
  ['BR-45 to BR-48', ({ subtotals }) => subtotals.every((t) => 'TaxableAmount' in t && text(t.TaxCategory.ID) !== '')],
  ['BR-CO-04', ({ lines }) => lines.every((l) => text(l.Item.ClassifiedTaxCategory.ID) !== '')],
  ['BR-CO-09', (d) => [seller(d), buyer(d)].every((p) => numberOf(p) === '' || /^[A-Z]{2}./.test(numberOf(p)))],
  [
    'BR-CO-10',
    ({ lines, total }) => sum(lines.map((l) => cents(l.LineExtensionAmount))) === cents(total.LineExtensionAmount),
  ],
  ['BR-CO-13', ({ total }) => cents(total.TaxExclusiveAmount) === cents(total.LineExtensionAmount)],
  [
    'BR-CO-14',
    ({ root, subtotals }) => cents(root.TaxTotal.TaxAmount) === sum(subtotals.map((t) => cents(t.TaxAmount))),
  ],
  [
    'BR-CO-15',
    ({ root, total }) =>
      cents(total.TaxInclusiveAmount) === cents(total.TaxExclusiveAmount) + cents(root.TaxTotal.TaxAmount),
  ],
  [
    'BR-CO-16',
    ({ total }) => cents(total.PayableAmount) === cents(total.TaxInclusiveAmount) - cents(total.PrepaidAmount),
  ],
  [
    'BR-CO-17',
    ({ subtotals }) =>
      subtotals.every(
        (t) =>
          Math.abs((cents(t.TaxableAmount) * Number(text(t.TaxCategory.Percent) || 0)) / 100 - cents(t.TaxAmount)) <
          100,
      ),
  ],
  ['BR-CO-18', ({ subtotals }) => subtotals.length > 0],
  [
    'BR-CO-25',
    ({ root, total }) =>
      cents(total.PayableAmount) <= 0 || text(root.DueDate) !== '' || text(root.PaymentTerms?.Note) !== '',
  ],
  ['BR-CO-26', (d) => numberOf(seller(d)) !== '' || text(seller(d).PartyLegalEntity.CompanyID) !== ''],
  ['BR-S-02', (d) => !has('S', d) || numberOf(seller(d)) !== ''],
  ['BR-AE-02', (d) => !has('AE', d) || (numberOf(seller(d)) !== '' && numberOf(buyer(d)) !== '')],
  ['BR-O-02', (d) => !has('O', d) || (numberOf(seller(d)) === '' && numberOf(buyer(d)) === '')],
  [
    'BR-O-05',
    ({ lines }) =>
      lines.every(({ Item: { ClassifiedTaxCategory: c } }) => text(c.ID) !== 'O' || c.Percent === undefined),
  ],
  [
    'BR-E-05 and BR-AE-05',
    ({ categories }) =>
      categories.every((c) => !['E', 'AE', 'Z'].includes(text(c.ID)) || Number(text(c.Percent)) === 0),
  ],
  ['BR-S-05', ({ categories }) => categories.every((c) => text(c.ID) !== 'S' || Number(text(c.Percent)) > 0)],
  [
    'BR-E-10, BR-AE-10 and BR-O-10',
    ({ categories }) => categories.every((c) => !['E', 'AE', 'O'].includes(text(c.ID)) || reason(c) !== ''),
  ],
  [
    'BR-S-10 and BR-Z-10',
    ({ categories }) => categories.every((c) => !['S', 'Z'].includes(text(c.ID)) || reason(c) === ''),
  ],
  [
    'BR-S-08',
    ({ lines, subtotals }) =>
      subtotals.every((t) => {
        const same = (c: any) =>
          text(c.ID) === text(t.TaxCategory.ID) && text(c.Percent) === text(t.TaxCategory.Percent)
        const mine = lines.filter((l) => same(l.Item.ClassifiedTaxCategory))
        return sum(mine.map((l) => cents(l.LineExtensionAmount))) === cents(t.TaxableAmount)
      }),
  ],
  ['BR-O-11', (d) => !has('O', d) || d.categories.length === 1],
  ['the tax is called VAT', ({ categories }) => categories.every((c) => text(c.TaxScheme.ID) === 'VAT')],
  ['BR-55', ({ root }) => listOf(root.BillingReference).every((b) => text(b.InvoiceDocumentReference.ID) !== '')],
]

/** The rules of EN 16931 that a document breaks. */
export const brokenRules = (root: any): readonly string[] => {
  const subtotals = listOf(root.TaxTotal.TaxSubtotal)
  const document: Document = {
    root,
    lines: listOf(root.InvoiceLine ?? root.CreditNoteLine),
    total: root.LegalMonetaryTotal,
    subtotals,
    categories: subtotals.map((t) => t.TaxCategory),
  }
  return RULES.filter(([, holds]) => !holds(document)).map(([name]) => name)
}
