export * from './accounts'
export * from './entry'
export * from './postings'
export * from './reports'
