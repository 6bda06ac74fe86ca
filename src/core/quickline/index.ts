export { readQuickLine, QUICK_VERBS, type QuickIntent, type SaleVerb } from './readQuickLine'
