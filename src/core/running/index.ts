export * from './running'
