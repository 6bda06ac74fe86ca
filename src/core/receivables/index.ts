export * from './age'
export { expectByWeek } from './expectByWeek'
export { daysToPay, type PaidDue } from './daysToPay'
