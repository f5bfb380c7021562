export {
  judgeCartridge,
  loadCartridge,
  SOUND_CARTRIDGE,
  type CartridgeEvent,
  type CartridgeRun,
  type CartridgeSpec,
} from './cartridge'
export { AdjustingHand } from './hand'
export { readSurface, SimulatedHost, wholeSurface, type HostOptions, type ReadProgress } from './host'
export { HOST_LINES, type HostLine, type LineState, type StatusLine } from './levels'
export { SimulatedDisk } from './medium'
export { exampleSpec, PARAMETERS, readSpec } from './parameters'
export { recordReading, type Recording, type RecordOptions } from './record'
export {
  judgeQuickPass,
  QUICK_STORIES,
  quickBlocks,
  SOUND_QUICK_DISK,
  sweepQuickDisk,
  writeQuickSide,
  type QuickDiskSpec,
  type QuickPass,
} from './quick-disk'
export { judgeSeeks, seekTest, type SeekTried } from './seek-test'
export { ADJUSTERS, RECORDED_AS, SimulatedDrive, type Adjuster } from './simulated-drive'
export { soundDrive, type DiskSpec, type DriveSpec, type Groove, type HeadSpec } from './spec'
export { DRIVE_STORIES, STORY_SEED, type DriveStory } from './stories'
export { spreadCylinders, writeTest, type WriteProgress, type WriteTestOptions } from './write-test'
