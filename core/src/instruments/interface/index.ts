export { cutTracks, cuttingTracks, type CutOptions } from './cut-tracks'
export { doubtsOf, invertLines, looksInverted, samplePeriod, type Doubt } from './doubts'
export { followCapture, mapLines, type FollowedCapture, type FollowOptions, type LineMapping } from './follow-capture'
export { followHeads, type HeadPath, type Move, type Seek, type Stay } from './follow-heads'
export { intervalPicture, type IntervalPicture } from './intervals'
export { judgeBus, type BusJudgement } from './judge-bus'
export { HEAD_NAMES, judgeSurface, summariseHead, type HeadSummary, type SurfaceContext } from './judge-surface'
export { changesUpTo, fallsOf, isLow, lowShare, risesOf, turnedOver } from './levels'
export { likelyClass } from './likely-class'
export {
  LINES,
  LINE_NAMES,
  RECORDED_AS,
  STATUS_LINES,
  guessLines,
  linesOf,
  type BusLines,
  type LineName,
} from './lines'
export { railBars } from './rail-bars'
export {
  MOST_EDGES,
  imageOf,
  marginsTable,
  reportBus,
  reportJson,
  reportingBus,
  type BusOptions,
  type BusProgress,
  type BusReport,
} from './report'
export { settlingOf, type Settling } from './settling'
export { surfaceOfRaw, type JudgedSurface } from './surface'
export { swingOf, swingSize, type Swing } from './swing'
export { busSpeed, busTimings, type BusSpeed, type BusTimings, type ZeroSwitch } from './timings'
export {
  SILENCE,
  namingOf,
  sampleOf,
  onDisk,
  toReadings,
  totalsOf,
  type Naming,
  type RawTrack,
  type SectorReading,
  type DiskTrack,
  type Totals,
  type TrackReading,
} from './track-reading'
export { judgeWiggle, type WiggleResult, type WireErrors, type WireMoved } from './wiggle'
export { innerThirds, worstTrack, type InnerThird } from './weigh-tracks'
export { speedByCylinder, type CylinderSpeed, type SpeedByCylinder } from './speed-by-cylinder'
export type { HostDriven } from './host-driven'
export type { HardSectored, HardSectorRow } from './hard-sectored'
