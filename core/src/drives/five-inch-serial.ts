import { commonPractice, fromMemory, sourced } from './provenance'
import { recordingOf } from './recording'
import { PAD, limitsOf } from './limits'
import type { Mechanism } from './types'
import { bands } from './five-inch-bands'

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
    track0UpperMm: sourced(55.0333, 'mm', {
      kind: 'from memory',
      note: 'four tracks further in, as on other 48 tpi drives',
    }),
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
  family: '5.25-inch, group code',
  features: {
    spindle: ['belt', 'direct'],
    carriage: ['band', 'spiral'],
    heads: [1, 2],
    loading: ['lever'],
    ownProcessor: [true],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  tags: [],
  front: {
    widthMm: 200,
    heightMm: 90,
    slotMm: 136,
    closes: ['lever', 'button'],
    plugs: ['round'],
    heights: ['full', 'half'],
    assume: ['One case has held mechanisms of several makers.', 'The supply may be inside the case: mains.'],
  },
  frame: {
    w: 146,
    d: 203,
    disk: 130,
    shell: [133, 133],
    spindleY: 84,
    drive: 'belt',
    carriage: 'spiral cam',
  },
  layouts: ['zoned-35x1', 'zoned-35x2'],
  recording: recordingOf(330, 4.6),
  alignment: limitsOf(45, 20, 200, 200, 20, PAD),
  protectCovered: sourced('protected', '', commonPractice),
  parts: ['carriage'],
  chance: sourced(0.65, '', fromMemory),
}
