export { readSweep } from './read-table'
export { ADJUSTER_IDS, ADJUSTER_NAMES, ADJUSTER_PLACES, SCALES, type AdjusterId, type ScaleId } from './adjusters'
export { checkPositions, type Counted, type SweepPosition } from './check-positions'
export { chance, edgeSoftness, logLikelihood, SOFT, STRAY } from './edge'
export { EDGE_LOSS, marginLikelihood } from './margin-law'
export {
  halfWindowUm,
  hasOffsetCost,
  offsetCost,
  usualHalfWindowUm,
  type OffsetCost,
  type Standing,
} from './offset-cost'
export { judgeRecheck, ZONES, type Recheck, type Zone, type ZoneRead } from './recheck'
export { slackOf, type SidedTry, type Slack } from './slack'
export {
  CAUSES,
  explainSurface,
  type Cause,
  type Explanation,
  type SurfaceEvidence,
  type SurfacePriors,
} from './explain-surface'
export { mayTouch, type TouchCase, type TouchVerdict } from './may-touch'
export { judgeSweep, sweepJson, type SweepContext, type SweepResult } from './sweep'
export { bindings, contribution, tryNext, type Binding } from './try-next'
export {
  searchRange,
  sharingWidths,
  windowOf,
  windowsOf,
  type Beforehand,
  type Candidate,
  type Estimate,
  type Tried,
  type WindowEstimate,
} from './window'
export { azimuthOf, azimuthSum } from './azimuth-sum'
export { indexBurstSum } from './index-burst-sum'
export { lobeOffset, lobeReach, lobesSum } from './lobes-sum'
export { tabSum, tripsSooner } from './tab-sum'
export { flagSum, slotUncertainty, switchesAt } from './flag-sum'
export { homeMisses, homeSum } from './home-sum'
export { offsetSum, offsetUm, READING_UNITS } from './offset-sum'
export { quickStartSum, turnsIn } from './quick-start-sum'
export { envelopeOf, type Envelope } from './envelope'
export { humpsIn, PATTERNS, readScope, type Hump, type Pattern, type ScopeReading } from './scope'
export { contextOf, positionsOf, sweepOnLog, type SweepOnLog } from './from-log'
