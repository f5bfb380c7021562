export { marginalsOf, searchPosterior, type Explained, type JointModel } from './search'
export { pooledMean, type Measured, type PooledMean } from './pooled-mean'
