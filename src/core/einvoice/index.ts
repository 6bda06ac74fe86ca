export { readUbl, type UblInvoice, type UblLine, type UblProblem } from './readUbl'
export { unitName } from './units'
