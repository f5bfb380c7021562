export { CellWriter } from './cells'
export { combineReads } from './combine-reads'
export { crc16 } from './crc16'
export { diskImage, imageMapCsv, type DiskImage, type ImageSector, type ReadSector } from './disk-image'
export {
  CODE_IDS,
  CODE_LABELS,
  FORMATS,
  QUICK_FILES_RATE,
  QUICK_RATE,
  cellsInTurn,
  formatName,
  halfCellOf,
  isQuick,
  rankFormats,
  type Format,
  type TrackCode,
} from './formats'
export { GROUPS, ZONES, groupTrack, readGroupSectors, zoneOf } from './group-4-to-5'
export { BYTES_OF_FIVE, fiveAndThreeTrack, fromFives, readFiveAndThreeSectors, toFives } from './group-5-and-3'
export { BYTES, fromSixes, readSixAndTwoSectors, sixAndTwoTrack, toSixes } from './group-6-and-2'
export { SPEED_ZONES, ZONED_RATE, fromZoned, readZonedSectors, speedZoneOf, toZoned, zonedTrack } from './group-zoned'
export { readHardSectors, type HardSector } from './hard-sectors'
export { THREAD, UNEASY, judgeTrack } from './judge-track'
export { STATES, mergeTurns, mostNamed, type MergedSector, type SectorState } from './merge-turns'
export { BYTE_POLY, FILE_POLY, readByteBlocks, readFileBlocks, reflectedCheck } from './quick-hosts'
export { quickStream, readQuickBlocks, type QuickBlock } from './quick-stream'
export { readSectors, type FoundSector, type SectorStatus } from './read-sectors'
export { readTrack, recogniseTrack, type MeasuredSector, type TrackReadOptions, type ReadTrack } from './read-track'
export { softReads, type SoftRead } from './soft-read'
export { GAPS, sectorTrack, sizeCode, type Code, type Gaps, type SectorToWrite } from './sector-track'
export { joinBits, readSplitSectors, splitBits, splitCheck, splitTrack } from './split-words'
export { writeTrack } from './write-track'
