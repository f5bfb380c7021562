import { fromMemory, sourced } from './provenance'
import { recordingOf } from './recording'
import { GIMBAL, limitsOf } from './limits'
import { SPEED_ZONES } from '../signals/codes'
import type { Mechanism } from './types'
import { threeHalfInch } from './three-half-inch'

export const threeHalfInchEject: Mechanism = {
  ...threeHalfInch,
  id: '3.5in-eject',
  label: '3.5-inch, motorised eject',
  special: 'A gearbox and a small motor lift the disk out; teeth strip, tabs loosen, motors weaken.',
  speed: {
    ...threeHalfInch.speed,
    nominal: [300, ...SPEED_ZONES.map(z => z.rpm)].map(rpm => sourced(rpm, 'r/min', fromMemory)),
    zones: SPEED_ZONES.map((z, i) => ({ rpm: z.rpm, from: i === 0 ? 0 : SPEED_ZONES[i - 1]!.upTo + 1, to: z.upTo })),
    trimmerNote:
      'Crystal-locked or held by a tachometer. The first generations turn at one of five speeds by zone of sixteen ' +
      'cylinders, and at 300 r/min in their MFM modes: note the cylinder and the mode while you measure.',
  },
  family: '3.5-inch',
  features: {
    spindle: ['direct'],
    carriage: ['screw'],
    heads: [2, 1],
    loading: ['push-in'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false, true],
  },
  tags: ['motorised-eject'],
  front: {
    widthMm: 102,
    heightMm: 35,
    slotMm: 93,
    closes: ['motor'],
    plugs: ['20'],
    heights: ['half', 'slim'],
    assume: ['Some turn at five speeds by zone, others at one.'],
  },
  frame: { w: 102, d: 152, disk: 86, shell: [90, 94], spindleY: 58, drive: 'direct', carriage: 'lead screw' },
  layouts: ['mfm-80x2x9', 'mfm-80x2x18', 'zoned-80x2', 'zoned-80x1'],
  recording: recordingOf(115, 3.1),
  alignment: limitsOf(15, 30, 0, 400, 9, GIMBAL),
  parts: ['carriage', 'index', 'zero', 'arm'],
  chance: sourced(0.65, '', fromMemory),
}
