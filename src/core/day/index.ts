export * from './day'
export { readDay } from './readDay'
export * from './formatDay'
