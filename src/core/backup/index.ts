export * from './backup'
