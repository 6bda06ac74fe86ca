export { readQuickLine, QUICK_VERBS, SALE_VERBS, type QuickIntent, type SaleVerb } from './readQuickLine'
