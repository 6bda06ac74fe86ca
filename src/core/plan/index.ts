export * from './arrangement'
export { stepFrom, stepsPerYear } from './steps'
export {
  planInstallments,
  partOf,
  effectiveYearlyRate,
  type Plan,
  type PlanRow,
  type PlanError,
} from './installments'
export { planLayaway } from './layaway'
