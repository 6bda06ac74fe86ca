export { readEInvoice, type EInvoice } from './readEInvoice'
export type { EInvoiceLine } from './spreadCharges'
export type { EInvoiceProblem } from './amounts'
export { unitName } from './units'
