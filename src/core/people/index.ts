export { findLookAlikes, type Person, type LookAlike } from './findLookAlikes'
export { isOrganization } from './isOrganization'
export { addressLine } from './addressLine'
