import { fromMemory, sourced } from './provenance'
import type { Mechanism } from './types'

export const cartridge: Mechanism = {
  id: 'cartridge',
  label: 'Removable cartridge, 100–250 MB',
  special:
    'Flexible disk at high speed, voice-coil heads under closed-loop servo: nothing to align in the field. ' +
    'A drive that clicks steadily can tear disks, and a torn disk can wreck the next drive.',
  drives: ['servo'],
  speed: {
    nominal: [sourced(2941, 'r/min', fromMemory)],
    narrow: null,
    wide: null,
    variation: sourced(0.5, '%', { kind: 'from memory', note: 'what a locked servo keeps well inside' }),
    trimmer: sourced('none', '', fromMemory),
    trimmerNote: 'The servo sets the speed. Off speed or no lock is a fault, never an adjustment.',
  },
  geometry: {
    cylinders: sourced(1817, '', { kind: 'from memory', note: 'servo-written; differs between models' }),
    heads: sourced('2', '', fromMemory),
    pitchMm: null,
    track0LowerMm: null,
    track0UpperMm: null,
  },
  formats: [],
  pickup: 'A reflective mark on the hub seen through the open case, with an empty or a scrapped cartridge only.',
  family: 'Cartridge',
  features: {
    spindle: ['direct'],
    carriage: [],
    heads: [2],
    loading: ['push-in'],
    ownProcessor: [true],
    hardSectored: [false],
    pictureTube: [false],
  },
  tags: ['servo'],
  front: {
    widthMm: 102,
    heightMm: 25,
    slotMm: 99,
    closes: ['button', 'motor'],
    plugs: ['wide'],
    heights: ['slim', 'half'],
    assume: ['A drive that clicks may have damaged its last cartridge, and a cartridge may damage the next drive.'],
  },
  frame: {
    w: 102,
    d: 150,
    disk: 92,
    shell: [98, 98],
    spindleY: 56,
    drive: 'direct',
    carriage: 'voice coil',
    zone: [43, 20],
  },
  layouts: [],
  recording: null,
  alignment: null,
  protectCovered: null,
  parts: [],
  chance: sourced(0.35, '', fromMemory),
}
