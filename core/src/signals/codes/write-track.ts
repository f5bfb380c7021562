import { ParameterError } from '../../base/errors'
import { cellsInTurn, type Format } from './formats'
import { groupTrack } from './group-4-to-5'
import { fiveAndThreeTrack } from './group-5-and-3'
import { sixAndTwoTrack } from './group-6-and-2'
import { zonedTrack } from './group-zoned'
import { GAPS, sectorTrack, type Gaps, type SectorToWrite } from './sector-track'
import { splitTrack } from './split-words'

/** Half cells that one sector takes in FM and MFM beside its gap. */
const OVERHEAD = { FM: 6 + 1 + 6 + 6 + 1 + 2, MFM: 12 + 4 + 6 + 12 + 4 + 2 } as const

/** Gaps that let so many sectors fit a turn: the usual ones, or as much of them as there is room for. */
function gapsFor(code: 'FM' | 'MFM', sectors: readonly SectorToWrite[], cells: number): Gaps {
  const gaps = GAPS[code]
  const used = sectors.reduce((n, s) => n + OVERHEAD[code] + gaps.afterHeader + s.data.length, 0)
  const room = cells / 16 - used
  const wanted = gaps.start + sectors.length * gaps.afterData
  const share = Math.min(1, Math.max(0, (room * 0.98) / wanted))
  return { ...gaps, start: Math.floor(gaps.start * share), afterData: Math.floor(gaps.afterData * share) }
}

/**
 * A track of sectors in any code that has sectors, as half cells (cells for group codes) of one turn.
 * @param turnS time of a turn @throws ParameterError where it does not fit or the code has no sectors
 */
export function writeTrack(format: Format, sectors: readonly SectorToWrite[], turnS: number): Uint8Array {
  const length = cellsInTurn(format, turnS)
  switch (format.code) {
    case 'FM':
    case 'MFM':
      return sectorTrack(format.code, sectors, length, gapsFor(format.code, sectors, length))
    case 'split MFM':
      return splitTrack(sectors, length)
    case '4-to-5':
      return groupTrack(sectors, length)
    case '6-and-2':
      return sixAndTwoTrack(sectors, length)
    case '5-and-3':
      return fiveAndThreeTrack(sectors, length)
    case 'zoned 6-and-2':
      return zonedTrack(sectors, length)
    case 'quick stream':
    case 'quick bytes':
    case 'quick files':
      throw new ParameterError('a quick disk has no sectors', 'a code with sectors', { field: 'code' })
  }
}
