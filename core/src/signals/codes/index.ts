export { CellWriter } from './cells'
export { crc16 } from './crc16'
export { diskImage, imageMapCsv, type DiskImage, type ImageSector, type ReadSector } from './disk-image'
export { expectedReading, sectorReads, type Expected } from './expected-margin'
export { fluxOf, type FluxTimes } from './flux'
export {
  cellsInTurn,
  CODE_IDS,
  formatName,
  FORMATS,
  halfCellOf,
  QUICK_RATE,
  rankFormats,
  type Format,
  type TrackCode,
} from './formats'
export { GROUPS, groupTrack, readGroupSectors, ZONES, zoneOf } from './group-4-to-5'
export { BYTES_OF_FIVE, fiveAndThreeTrack, fromFives, readFiveAndThreeSectors, toFives } from './group-5-and-3'
export { BYTES, fromSixes, readSixAndTwoSectors, sixAndTwoTrack, toSixes } from './group-6-and-2'
export { judgeTrack, THREAD, UNEASY } from './judge-track'
export { layCells, type LaidTrack } from './lay-cells'
export {
  afterAzimuth,
  afterSpacing,
  jitterOf,
  offTrack,
  residue,
  wavelengthUm,
  type OffTrack,
  type Strip,
} from './losses'
export { PHASE_BINS, TimingMeter } from './measure'
export { mergeTurns, mostNamed, STATES, type MergedSector, type SectorState } from './merge-turns'
export { nearestCells } from './nearest-cell'
export { crowdedHeight, peakShift, pushBy } from './peak-shift'
export { quickStream, readQuickBlocks, type QuickBlock } from './quick-stream'
export { readSectors, type FoundSector, type SectorStatus } from './read-sectors'
export { readTrack, recogniseTrack, type MeasuredSector, type ReadOptions, type ReadTrack } from './read-track'
export { GAPS, sectorTrack, sizeCode, type Code, type Gaps, type SectorToWrite } from './sector-track'
export { joinBits, readSplitSectors, splitBits, splitCheck, splitTrack } from './split-words'
export { separate, type Separated, type SeparatorOptions } from './separator'
export { edgesFromFlux, fluxFromEdges, fluxWithin } from './track-from-edges'
export { THRESHOLD, viewOf, type HeadState, type HeadView } from './under-head'
export { writeTrack } from './write-track'
