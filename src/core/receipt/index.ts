export * from './fillDues'
export { discountOn, nameOfDue } from './aboutDue'
