export { readQuickLine, type QuickIntent } from './readQuickLine'
