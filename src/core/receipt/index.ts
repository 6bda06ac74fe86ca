export * from './fillDues'
export { discountLeft, discountOn, discountWith, dueInSentence, nameOfDue, type DiscountedDue } from './aboutDue'
export * from './creditDues'
export { tenderOf, type Tendered } from './tender'
export { likelyNotes } from './likelyNotes'
export {
  discountTaken,
  leftAfter,
  lowersOwed,
  proposeFill,
  settlesToday,
  type OpenThing,
  type PutOn,
} from './proposeFill'
