export { SimulatedBoard } from './board/simulated-board'
export { SOUND_ALIGNMENT, alignmentEnvelope, scopeTrace, scopeWav, type AlignmentTrack } from './alignment-disk'
export {
  SOUND_CARTRIDGE,
  judgeCartridge,
  loadCartridge,
  type CartridgeEvent,
  type CartridgeRun,
  type CartridgeSpec,
} from './drive/cartridge'
export { AdjustingHand, umPerMark } from './drive/hand'
export { SimulatedHost, readSurface, wholeSurface, type HostOptions, type ReadProgress } from './drive/host'
export { HOST_LINES, type HostLine, type LineState, type StatusLine } from './drive/levels'
export { SimulatedDisk } from './drive/medium'
export { PARAMETERS, exampleSpec, readSpec } from './drive/parameters'
export {
  QUICK_STORIES,
  SOUND_QUICK_DISK,
  judgeQuickPass,
  quickBlocks,
  sweepQuickDisk,
  writeQuickSide,
  type QuickDiskSpec,
  type QuickPass,
} from './drive/quick-disk'
export { recordReading, type RecordOptions, type Recording } from './drive/record'
export { judgeSeeks, seekTest, type SeekTried } from './drive/seek-test'
export { ADJUSTERS, SimulatedDrive, type Adjuster } from './drive/simulated-drive'
export { soundDrive, type DiskSpec, type DriveSpec, type Groove, type HeadSpec } from './drive/spec'
export { DRIVE_STORIES, STORY_SEED, type DriveStory } from './drive/stories'
export { spreadCylinders, writeTest, type WriteProgress, type WriteTestOptions } from './drive/write-test'
export { QuickGauss } from './gauss'
export { Random } from './random'
export { SCENARIOS, SIMULATED_PULLEYS, type Scenario } from './scenarios'
export { SimulatedPickup, type PickupOptions } from './simulated-pickup'
export { SpindleModel, type Ripple, type SpindleModelOptions } from './spindle-model'
