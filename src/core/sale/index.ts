export { lineState, leastAgreed, type LineTally, type LineState } from './lineState'
export { standsAs, STANDS, type Stands, type SaleStanding } from './standsAs'
export { moneyBar, addBars, type MoneyBar, type MoneyFacts } from './moneyBar'
export { nextSteps, type NextStep, type NextAction, type NextLine, type SaleOutlook } from './nextSteps'
export { planBilling, type BillWish, type BillingError, type BilledQuantity } from './planBilling'
export { priceBill, type LineToPrice, type BilledTax } from './priceBill'
export {
  creditQuantities,
  creditAmount,
  type Credit,
  type CreditableLine,
  type CreditableTax,
} from './priceCredit'
export { buildTrail, type TrailEvent, type TrailLine, type Undoable } from './trail'
export { aheadOfHandover, earnedByHandover } from './splitBilledAhead'
export { lineWorth, shareWholeDiscount, type DiscountedLine, type WholeDiscount } from './lineWorth'
export { compareVersions, type KeptLine, type ComparedLine, type ComparedField } from './compareVersions'
export { repeatDay, repeatDays, type Repeating, type Rhythm } from './repeats'
export { tallyOffers, type OfferFate, type OfferTally } from './offerTally'
export { usualGoods, type Taking, type UsualThing } from './usualGoods'
