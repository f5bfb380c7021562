import { fromMemory, sourced } from './provenance'
import { recordingOf } from './recording'
import type { Mechanism } from './types'

export const quickDisk: Mechanism = {
  id: 'quick-disk',
  label: '2.8-inch quick disk',
  special:
    'One spiral track and no stepping: the head sweeps the whole disk in about 8 s. Belt; speed and sweep start are judged together.',
  drives: ['belt'],
  speed: {
    nominal: [sourced(423, 'r/min', fromMemory)],
    narrow: sourced(1, '%', fromMemory),
    wide: sourced(3, '%', fromMemory),
    variation: sourced(2, '%', fromMemory),
    trimmer: sourced('usual', '', fromMemory),
    trimmerNote: 'Set the belt and the sweep first; the speed moves the place where data begins.',
  },
  geometry: {
    cylinders: sourced(1, '', { kind: 'from memory', note: 'one spiral a side' }),
    heads: sourced('1', '', fromMemory),
    pitchMm: null,
    track0LowerMm: null,
    track0UpperMm: null,
  },
  formats: [
    {
      label: 'MFM 101.6 kbit/s, about 64 KB a side',
      code: 'MFM',
      rpm: 423,
      fluxPerSecond: sourced(101_600, '1/s', fromMemory),
      fluxPerRadian: null,
    },
  ],
  pickup: 'No index line: a reflective mark on the hub or flywheel and any light sensor.',
  family: 'Quick disk',
  features: {
    spindle: ['belt'],
    carriage: ['spiral'],
    heads: [1],
    loading: ['push-in', 'lever'],
    ownProcessor: [false],
    hardSectored: [false],
    pictureTube: [false],
  },
  tags: [],
  front: {
    widthMm: 96,
    heightMm: 45,
    slotMm: 78,
    closes: ['hatch', 'lever'],
    plugs: ['few'],
    heights: ['half'],
    assume: ['It has no tracks to step over: speed and start of the pass are judged together.'],
  },
  frame: {
    w: 96,
    d: 138,
    disk: 71,
    shell: [76, 78],
    spindleY: 50,
    drive: 'belt',
    carriage: 'spiral cam',
    zone: [33, 18],
  },
  layouts: [],
  recording: recordingOf(250, 5),
  alignment: null,
  protectCovered: sourced('writable', '', fromMemory),
  parts: [],
  chance: sourced(0.7, '', fromMemory),
}
