export * from './purchase'
export * from './difference'
export * from './spread'
