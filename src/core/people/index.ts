export { findLookAlikes, type Person, type LookAlike } from './findLookAlikes'
