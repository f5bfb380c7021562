export { readSweep } from './read-table'
export { checkPositions, judgeSweep, sweepJson, type Counted, type SweepContext, type SweepPosition, type SweepResult } from './sweep'
export { tryNext } from './try-next'
export { chance, searchRange, windowOf, windowsOf, type Candidate, type Estimate, type Tried, type WindowEstimate } from './window'
