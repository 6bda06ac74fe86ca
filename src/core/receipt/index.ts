export * from './fillDues'
export { discountLeft, discountOn, discountWith, nameOfDue, type DiscountedDue } from './aboutDue'
export * from './creditDues'
