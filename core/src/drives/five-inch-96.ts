import { commonPractice, fromMemory, sourced, standard } from './provenance'
import { recordingOf } from './recording'
import { GIMBAL, limitsOf } from './limits'
import type { Mechanism } from './types'
import { bands } from './five-inch-bands'

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
  family: '5.25-inch',
  features: {
    spindle: ['direct', 'belt'],
    carriage: ['band'],
    heads: [2],
    loading: ['lever'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  tags: [],
  front: {
    widthMm: 146,
    heightMm: 41,
    slotMm: 136,
    closes: ['lever', 'button'],
    plugs: ['34-edge'],
    heights: ['half', 'full'],
    assume: [
      'A drive of 80 tracks and one of 40 look alike: the model sheet or a count of steps tells.',
      '300 or 360 r/min, or both, is set by straps and by the host.',
    ],
  },
  frame: { w: 146, d: 203, disk: 130, shell: [133, 133], spindleY: 84, drive: 'direct', carriage: 'steel band' },
  layouts: ['mfm-80x2x15', 'mfm-80x2x9'],
  recording: recordingOf(155, 2.9, { 'mfm-80x2x9': 4.6 }),
  alignment: limitsOf(22, 18, 200, 200, 12, GIMBAL),
  protectCovered: sourced('protected', '', commonPractice),
  parts: ['carriage', 'index', 'zero'],
  chance: sourced(0.75, '', fromMemory),
}
