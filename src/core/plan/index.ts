export * from './arrangement'
export { stepFrom, overAYear, stepsPerYear } from './steps'
export { planInstallments, partOf, effectiveYearlyRate, type Plan, type PlanRow, type PlanError } from './installments'
export { planLayaway } from './layaway'
export { payoffOn, openParts, type Payoff, type StandingRow } from './payoff'
export {
  givingUpFee,
  lateChargeOf,
  layawayStanding,
  LAYAWAY_STANDS,
  type LayawayStanding,
  type LayawayStands,
} from './layawayStanding'
export { spreadRest } from './spreadRest'
export { depositStages } from './depositStages'
export { evenly, firstDueFrom, planWithoutCharge, termsDays, type PaymentTerms } from './terms'
