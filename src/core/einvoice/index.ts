export { readUbl, type UblInvoice } from './readUbl'
export type { UblLine } from './spreadUbl'
export type { UblProblem } from './ublAmounts'
export { unitName } from './units'
