export { type Box, type BoxDrive, type PartCondition, type Pool, type PooledDrive } from './box'
export { poolParts } from './pool-parts'
export { readBox } from './read-box'
export { poolWorkshop, type MadeDrive, type ModelPool, type PoolDrive, type PoolSpare } from './workshop-box'
