export { leaveAtAverage, unitCost, valueAt, type Shelf } from './leaveAtAverage'
export { kitsAvailable } from './kits'
export { setAside } from './setAside'
export * from './leaveOn'
