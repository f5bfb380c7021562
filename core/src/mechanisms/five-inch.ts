import { fromMemory, sourced, standard } from './provenance'
import type { Mechanism, SpeedLimits } from './types'

const bands: Pick<SpeedLimits, 'narrow' | 'wide' | 'variation'> = {
  narrow: sourced(0.5, '%', fromMemory),
  wide: sourced(1.5, '%', fromMemory),
  variation: sourced(1.5, '%', fromMemory),
}

export const fiveInch48: Mechanism = {
  id: '5.25in-48',
  label: '5.25-inch, 48 tpi',
  special:
    '35 or 40 tracks, belt on older ones and direct drive on later, steel band or cam carriage, strobe pattern on the flywheel.',
  drives: ['belt', 'direct'],
  speed: {
    ...bands,
    nominal: [sourced(300, 'r/min', standard('ECMA-66 and ECMA-70'))],
    trimmer: sourced('usual', '', fromMemory),
    trimmerNote:
      'A small screw on the motor board or the motor itself. Plastic screwdriver, tiny moves, re-read each time.',
  },
  geometry: {
    cylinders: sourced(40, '', standard('ECMA-70')),
    heads: sourced('1 or 2', '', fromMemory),
    pitchMm: sourced(0.529167, 'mm', { kind: 'from memory', note: 'ECMA-70' }),
    track0LowerMm: sourced(57.15, 'mm', { kind: 'from memory', note: 'ECMA-70' }),
    track0UpperMm: sourced(55.033, 'mm', { kind: 'from memory', note: 'ECMA-70' }),
  },
  formats: [
    {
      label: 'single density, FM 125 kbit/s',
      code: 'FM',
      rpm: 300,
      fluxPerSecond: sourced(250_000, '1/s', fromMemory),
      fluxPerRadian: sourced(7_958, '1/rad', standard('ECMA-66 (title)')),
    },
    {
      label: 'double density, MFM 250 kbit/s',
      code: 'MFM',
      rpm: 300,
      fluxPerSecond: sourced(250_000, '1/s', fromMemory),
      fluxPerRadian: sourced(7_958, '1/rad', standard('ECMA-70 (title)')),
    },
  ],
  pickup: 'The INDEX line with a disk in; ten- and sixteen-hole disks carry the sector holes on the same line.',
}

export const fiveInch96: Mechanism = {
  id: '5.25in-96',
  label: '5.25-inch, 96 tpi',
  special:
    '80 narrow tracks, 300 or 360 r/min. A disk first written at 48 tpi and rewritten here may not read back there.',
  drives: ['direct', 'belt'],
  speed: {
    ...bands,
    nominal: [sourced(360, 'r/min', standard('ECMA-99')), sourced(300, 'r/min', standard('ECMA-78'))],
    trimmer: sourced('some', '', fromMemory),
    trimmerNote:
      'Dual-speed drives switch by the density line: state which speed was selected. Later boards are crystal-locked.',
  },
  geometry: {
    cylinders: sourced(80, '', standard('ECMA-78 and ECMA-99')),
    heads: sourced('2', '', standard('ECMA-78 and ECMA-99')),
    pitchMm: sourced(0.264583, 'mm', { kind: 'from memory', note: 'ECMA-78, ECMA-99' }),
    track0LowerMm: sourced(57.15, 'mm', { kind: 'from memory', note: 'ECMA-78' }),
    track0UpperMm: sourced(55.033, 'mm', { kind: 'from memory', note: 'ECMA-78' }),
  },
  formats: [
    {
      label: 'high density, MFM 500 kbit/s',
      code: 'MFM',
      rpm: 360,
      fluxPerSecond: sourced(500_000, '1/s', fromMemory),
      fluxPerRadian: sourced(13_262, '1/rad', standard('ECMA-99 (title)')),
    },
    {
      label: 'double density, MFM 250 kbit/s',
      code: 'MFM',
      rpm: 300,
      fluxPerSecond: sourced(250_000, '1/s', fromMemory),
      fluxPerRadian: sourced(7_958, '1/rad', standard('ECMA-78 (title)')),
    },
  ],
  pickup: 'The INDEX line with a disk in.',
}

export const fiveInchSerial: Mechanism = {
  id: '5.25in-serial',
  label: '5.25-inch serial drive',
  special:
    'Its own processor, memory and serial bus to the host, zoned group code; fails like a small computer as well as like a drive.',
  drives: ['belt', 'direct'],
  speed: {
    ...bands,
    nominal: [sourced(300, 'r/min', fromMemory)],
    trimmer: sourced('some', '', fromMemory),
    trimmerNote:
      'Belt-driven ones have a trimmer on the motor board; direct-drive ones are usually set at the factory.',
  },
  geometry: {
    cylinders: sourced(35, '', fromMemory),
    heads: sourced('1 or 2', '', fromMemory),
    pitchMm: sourced(0.529167, 'mm', fromMemory),
    track0LowerMm: sourced(57.15, 'mm', fromMemory),
    track0UpperMm: null,
  },
  formats: [
    {
      label: 'zoned 4-to-5 group code, cells 3.25 to 4.0 µs',
      code: 'group code',
      rpm: 300,
      fluxPerSecond: sourced(1 / 3.25e-6, '1/s', fromMemory),
      fluxPerRadian: null,
    },
  ],
  pickup: 'Many have no index sensor: stick a mark on the flywheel, or film the strobe pattern.',
}
