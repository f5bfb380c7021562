import { commonPractice, fromMemory, sourced } from './provenance'
import { recordingOf } from './recording'
import { PAD, limitsOf } from './limits'
import type { Mechanism } from './types'

export const threeInch: Mechanism = {
  id: '3in',
  label: '3-inch hard case',
  special:
    '40 tracks, a belt that rots, motor and spindle on a 12 V supply apart from the 5 V, and a loose write-protect ' +
    'pin that falls out when the drive is turned over with its board lifted.',
  drives: ['belt', 'direct'],
  speed: {
    nominal: [sourced(300, 'r/min', fromMemory)],
    narrow: sourced(5, 'r/min', commonPractice),
    wide: sourced(10, 'r/min', commonPractice),
    variation: sourced(2, '%', fromMemory),
    trimmer: sourced('usual', '', fromMemory),
    trimmerNote:
      'Behind a hole in the motor or board, and fragile: it breaks if pressed. Plastic screwdriver, no weight on it.',
  },
  geometry: {
    cylinders: sourced(40, '', fromMemory),
    heads: sourced('1 or 2', '', fromMemory),
    pitchMm: sourced(0.254, 'mm', fromMemory),
    track0LowerMm: sourced(35, 'mm', { kind: 'from memory', note: 'a guess from the opening of the shell' }),
    track0UpperMm: sourced(35, 'mm', { kind: 'from memory', note: 'a guess; the second head may stand further in' }),
  },
  formats: [
    {
      label: 'MFM 250 kbit/s',
      code: 'MFM',
      rpm: 300,
      fluxPerSecond: sourced(250_000, '1/s', fromMemory),
      fluxPerRadian: null,
    },
  ],
  pickup: 'The INDEX line with a disk in.',
  family: '3-inch',
  features: {
    spindle: ['belt', 'direct'],
    carriage: ['screw', 'band'],
    heads: [1, 2],
    loading: ['push-in', 'lever'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  tags: [],
  front: {
    widthMm: 100,
    heightMm: 40,
    slotMm: 82,
    closes: ['button', 'lever'],
    plugs: ['34-edge', '34-pins', 'few'],
    heights: ['half'],
    assume: [
      'The power plug is not wired alike on all machines: 5 V and 12 V may be exchanged.',
      'One head or two is not seen from outside.',
    ],
  },
  frame: {
    w: 100,
    d: 150,
    disk: 76,
    shell: [80, 100],
    spindleY: 60,
    drive: 'belt',
    carriage: 'lead screw',
    zone: [35, 24.9],
  },
  layouts: ['mfm-40x1x9'],
  recording: recordingOf(150, 3.3),
  alignment: limitsOf(20, 25, 200, 300, 12, PAD),
  protectCovered: sourced('writable', '', fromMemory),
  parts: ['carriage', 'index', 'zero', 'pin'],
  chance: sourced(0.75, '', fromMemory),
}
