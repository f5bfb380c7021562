export { leastSquares } from './least-squares'
export { mean, median, medianAbsoluteDeviation, quantile, sampleDeviation, sum } from './robust'
export { t95 } from './student-t'
export { upperTail } from './binomial'
