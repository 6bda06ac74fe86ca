export {
  codesOn,
  rateOn,
  wholeRate,
  type DatedTaxCode,
  type TaxCode,
  type TaxComponent,
  type Treatment,
} from './taxCode'
export { lineAmount, type PricedLine } from './lineAmount'
export { computeTax, type TaxedAmount, type TaxedDocument, type TaxSettings, type TaxShare } from './computeTax'
export { shareTax, type ComponentTax, type SharedTax } from './shareTax'
export * from './taxReturn'
export { changeOfTax, ownTax, type BilledLine, type OwnTaxCode } from './ownTax'
export { taxAreaAt, type AreaAddress } from './taxAreaAt'
export { pickTax } from './pickTax'
