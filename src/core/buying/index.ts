export * from './purchase'
export * from './difference'
