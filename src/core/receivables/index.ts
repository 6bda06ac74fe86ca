export * from './age'
export { expectByWeek } from './expectByWeek'
export { daysToPay, type PaidDue } from './daysToPay'
export {
  EXPECTED_WEEKS,
  forecast,
  forecastInput,
  backTest,
  quantile,
  seeded,
  type ForecastDue,
  type ForecastFacts,
  type ForecastInput,
  type ForecastWeek,
} from './forecast'
export { nextReminder, type NextReminder, type ReminderWritten } from './nextReminder'
