export * from './freight'
export * from './size'
