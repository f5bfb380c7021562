export { findSum, SUMS } from './sums'
