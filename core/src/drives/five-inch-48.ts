import { commonPractice, fromMemory, sourced, standard } from './provenance'
import { recordingOf } from './recording'
import { GIMBAL, PAD, limitsOf } from './limits'
import type { Mechanism } from './types'
import { bands } from './five-inch-bands'

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
  family: '5.25-inch',
  features: {
    spindle: ['belt', 'direct'],
    carriage: ['band', 'spiral'],
    heads: [1, 2],
    loading: ['lever'],
    ownProcessor: [false],
    phasesFromHost: [false, true],
    hardSectored: [false, true],
    pictureTube: [false, true],
  },
  tags: [],
  front: {
    widthMm: 146,
    heightMm: 82,
    slotMm: 136,
    closes: ['lever'],
    plugs: ['34-edge'],
    heights: ['full', 'half'],
    assume: [
      'A drive of 40 tracks and one of 80 look alike: the model sheet or a count of steps tells.',
      'Half height says nothing of one head or two.',
    ],
  },
  frame: { w: 146, d: 203, disk: 130, shell: [133, 133], spindleY: 84, drive: 'belt', carriage: 'steel band' },
  layouts: ['mfm-40x2x9', 'fm-40x1x10', 'six-35x1x16', 'five-35x1x13', 'mfm-40x1x9'],
  recording: recordingOf(330, 4.6),
  alignment: limitsOf(45, 18, 200, 200, 20, `${PAD} ${GIMBAL}`),
  protectCovered: sourced('protected', '', commonPractice),
  parts: ['carriage', 'index', 'zero'],
  chance: sourced(0.75, '', fromMemory),
}
