export * from './freight'
export * from './size'
export type * from './carrier'
