export { countHead, countTrack } from './count-head'
export { checkPositions, type Counted, type SweepPosition } from './check-positions'
export { SOFT, STRAY, chance, edgeLoss, edgeSoftness, logLikelihood } from './edge'
export { envelopeOf, type Envelope } from './envelope'
export {
  CAUSES,
  explainSurface,
  type Cause,
  type Explanation,
  type SurfaceEvidence,
  type SurfacePriors,
} from './explain-surface'
export { contextOf, positionsOf, sweepOnLog, type SweepOnLog } from './from-log'
export { EDGE_LOSS, marginLikelihood } from './margin-law'
export { mayTouch, type TouchCase, type TouchVerdict } from './may-touch'
export { readSweep } from './read-table'
export { judgeRecheck, type Recheck } from './recheck'
export { PATTERNS, humpsIn, readScope, type Hump, type Pattern, type ScopeReading } from './scope'
export { slackOf, type SidedTry, type Slack } from './slack'
export { judgeSweep, sweepJson, type SweepContext, type SweepResult } from './sweep'
export { bindings, contribution, tryNext, type Binding } from './try-next'
export {
  searchRange,
  sharingWidths,
  readingRange,
  readingRanges,
  type Beforehand,
  type Candidate,
  type Estimate,
  type Tried,
  type RangeEstimate,
} from './window'
