export { findSum, sumGroups, SUMS } from './sums'
