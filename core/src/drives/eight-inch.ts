import { commonPractice, fromMemory, sourced, standard } from './provenance'
import { recordingOf } from './recording'
import { GIMBAL, limitsOf } from './limits'
import type { Mechanism } from './types'

export const eightInch: Mechanism = {
  id: '8in',
  label: '8-inch, 77 tracks',
  special:
    'Belt from a mains or d.c. motor, carriage on a lead screw or band, straps and terminators on the board, ' +
    'a metal blade in an optical slot for track zero.',
  drives: ['belt', 'direct'],
  speed: {
    nominal: [sourced(360, 'r/min', standard('ECMA-54, ECMA-59 and ECMA-69'))],
    narrow: sourced(1, '%', fromMemory),
    wide: sourced(8, 'r/min', commonPractice),
    variation: sourced(2.5, '%', fromMemory),
    trimmer: sourced('some', '', fromMemory),
    trimmerNote:
      'Only a d.c. belt motor has a trimmer; an a.c. motor follows the mains, and its pulley fits one mains frequency.',
  },
  geometry: {
    cylinders: sourced(77, '', standard('ECMA-54, ECMA-59 and ECMA-69')),
    heads: sourced('1 or 2', '', fromMemory),
    pitchMm: sourced(0.529167, 'mm', fromMemory),
    track0LowerMm: sourced(91.7533, 'mm', { kind: 'from memory', note: '2.029 in + 76/48 in' }),
    track0UpperMm: sourced(89.6367, 'mm', { kind: 'from memory', note: 'four tracks further in than the lower head' }),
  },
  formats: [
    {
      label: 'single density, FM 250 kbit/s',
      code: 'FM',
      rpm: 360,
      fluxPerSecond: sourced(500_000, '1/s', fromMemory),
      fluxPerRadian: sourced(13_262, '1/rad', standard('ECMA-54, ECMA-59 (titles)')),
    },
    {
      label: 'double density, MFM 500 kbit/s',
      code: 'MFM',
      rpm: 360,
      fluxPerSecond: sourced(500_000, '1/s', fromMemory),
      fluxPerRadian: sourced(13_262, '1/rad', standard('ECMA-69 (title)')),
    },
  ],
  pickup: 'The INDEX line with a disk in; on hard-sectored disks the same line carries the sector holes too.',
  family: '8-inch',
  features: {
    spindle: ['belt', 'direct'],
    carriage: ['screw', 'band'],
    heads: [1, 2],
    loading: ['lever'],
    ownProcessor: [false],
    hardSectored: [false, true],
    pictureTube: [false, true],
  },
  tags: [],
  front: {
    widthMm: 217,
    heightMm: 117,
    slotMm: 206,
    closes: ['lever'],
    plugs: ['50'],
    heights: ['full', 'half'],
    assume: ['One head or two is not seen from outside.', 'A mains motor has belt and pulley for one mains frequency.'],
  },
  frame: { w: 217, d: 362, disk: 200, shell: [203, 203], spindleY: 128, drive: 'belt', carriage: 'lead screw' },
  layouts: ['mfm-77x2x26', 'fm-77x1x26'],
  recording: recordingOf(330, 4.2),
  alignment: limitsOf(45, 18, 200, 100, 20, GIMBAL),
  protectCovered: sourced('writable', '', commonPractice),
  parts: ['carriage', 'index', 'zero'],
  chance: sourced(0.6, '', fromMemory),
}
