export { cleanIntervals, type CleanIntervals, type Discarded } from './clean-intervals'
export { findComponents, type Component } from './components'
export { fitDrift, type Drift } from './drift'
export { findHardSectors } from './hard-sectors'
export { judgeSpeed, trimmerOf, type SpeedVerdict } from './judge-speed'
export { livePulseSpeed, liveSpeed, NOW_S, type LivePulseSpeed, type LiveSpeed } from './live-speed'
export { meanSpeed, type MeanSpeed } from './mean-speed'
export { measureSpeed, type MeasureOptions, type SpeedMeasurement, type Variation } from './measure-speed'
export type { NamedComponent } from './name-components'
export { pulsesFromEdges, type PulseTrain } from './pulse-train'
export { speedObservations, speedReport, speedUncertainty, type SpeedReport } from './report'
export type { SpeedContext, SpeedSchool } from './speed-case'
export { speedContextOf } from './speed-context'
export { speedFromCapture, speedFromPulses, type CaptureSpeedOptions, type JudgedSpeed } from './speed-from-capture'
export { strobeDiscSvg, type StrobeDiscOptions } from './strobe-disc'
export { rpmFromCreep, strobeBars, type CreepReading, type StrobeBars } from './strobe'
export { speedTone, toneBand, type SpeedTone } from './tone'
export { trimmerHistory } from './trimmer-history'
export {
  fractionWords,
  learnTrimmer,
  remainingMove,
  type TrimmerKnowledge,
  type TrimmerMove,
  type TrimmerReading,
} from './trimmer'
