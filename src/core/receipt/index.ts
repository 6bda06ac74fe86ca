export * from './fillDues'
