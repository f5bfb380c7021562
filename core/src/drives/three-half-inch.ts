import { commonPractice, fromMemory, sourced, standard } from './provenance'
import { recordingOf } from './recording'
import { GIMBAL, limitsOf } from './limits'
import type { Mechanism } from './types'

export const threeHalfInch: Mechanism = {
  id: '3.5in',
  label: '3.5-inch',
  special:
    '80 tracks at 135 tpi, direct drive, lead-screw carriage, push switches for disk-in, write-protect and density.',
  drives: ['direct'],
  speed: {
    nominal: [sourced(300, 'r/min', standard('ECMA-100 and ECMA-125'))],
    narrow: sourced(0.5, '%', fromMemory),
    wide: sourced(1.5, '%', fromMemory),
    variation: sourced(1.5, '%', fromMemory),
    trimmer: sourced('rare', '', fromMemory),
    trimmerNote:
      'Crystal-locked: off speed is a fault of the motor board, its capacitors or its bearing, not of a screw.',
  },
  geometry: {
    cylinders: sourced(80, '', standard('ECMA-100 and ECMA-125')),
    heads: sourced('2', '', standard('ECMA-100 and ECMA-125')),
    pitchMm: sourced(0.1875, 'mm', { kind: 'from memory', note: 'ECMA-100' }),
    track0LowerMm: sourced(39.5, 'mm', { kind: 'from memory', note: 'ECMA-100' }),
    track0UpperMm: sourced(38.0, 'mm', { kind: 'from memory', note: 'ECMA-100' }),
  },
  formats: [
    {
      label: 'double density, MFM 250 kbit/s',
      code: 'MFM',
      rpm: 300,
      fluxPerSecond: sourced(250_000, '1/s', fromMemory),
      fluxPerRadian: sourced(7_958, '1/rad', standard('ECMA-100 (title)')),
    },
    {
      label: 'high density, MFM 500 kbit/s',
      code: 'MFM',
      rpm: 300,
      fluxPerSecond: sourced(500_000, '1/s', fromMemory),
      fluxPerRadian: sourced(15_916, '1/rad', standard('ECMA-125 (title)')),
    },
  ],
  pickup: 'The INDEX line; the sensor looks at the rotor, so it needs a turning hub, and a disk in for a true load.',
  family: '3.5-inch',
  features: {
    spindle: ['direct'],
    carriage: ['screw', 'band'],
    heads: [2, 1],
    loading: ['push-in'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  tags: [],
  front: {
    widthMm: 102,
    heightMm: 25,
    slotMm: 93,
    closes: ['button'],
    plugs: ['34-pins'],
    heights: ['slim', 'half'],
    assume: [
      'Double or high density is not seen from outside.',
      'The pins of ready, disk change and density differ between hosts.',
    ],
  },
  frame: { w: 102, d: 146, disk: 86, shell: [90, 94], spindleY: 58, drive: 'direct', carriage: 'lead screw' },
  layouts: ['mfm-80x2x9', 'mfm-80x2x18', 'split-80x2x11'],
  recording: recordingOf(115, 3.1),
  alignment: limitsOf(15, 30, 0, 400, 9, GIMBAL),
  protectCovered: sourced('writable', '', commonPractice),
  parts: ['carriage', 'index', 'zero', 'arm'],
  chance: sourced(0.75, '', fromMemory),
}
