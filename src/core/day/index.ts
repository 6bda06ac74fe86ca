export * from './day'
export { readDay } from './readDay'
export * from './formatDay'
export * from './formatMoment'
