export * from './age'
export { expectByWeek } from './expectByWeek'
export { daysToPay, type PaidDue } from './daysToPay'
export { forecast, backTest, quantile, seeded, type ForecastDue, type ForecastInput, type ForecastWeek } from './forecast' // prettier-ignore
export { nextReminder, type NextReminder, type ReminderWritten } from './nextReminder'
