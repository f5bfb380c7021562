import { findMechanism } from './catalogue'
import type { MechanismId } from './types'
import { speedZoneOf, ZONED_RATE, zoneOf, type Format } from '../signals/codes'

/** How a disk of a class is usually laid out (common layouts, from memory). */
export interface Layout {
  readonly cylinders: number
  readonly heads: 1 | 2
  readonly firstId: number
  readonly bytes: number
  /** Speed on cylinder 0, r/min; see {@link rpmAt}. */
  readonly rpm: number
  /** Speed on a cylinder where it is not the same on all. */
  readonly rpmOf?: (cylinder: number) => number
  /** Width of a pulse on such a disk, share of the class’s usual one: finer media have narrower pulses. */
  readonly pulseShare?: number
  readonly formatOf: (cylinder: number) => Format
  readonly sectorsOf: (cylinder: number) => number
}

/** Speed on a cylinder, r/min. */
export const rpmAt = (layout: Layout, cylinder: number): number => layout.rpmOf?.(cylinder) ?? layout.rpm
/** The same against cylinder 0. */
export const speedShare = (layout: Layout, cylinder: number): number => rpmAt(layout, cylinder) / layout.rpm

const even = (
  cylinders: number,
  heads: 1 | 2,
  rpm: number,
  format: Format,
  sectors: number,
  bytes: number,
  firstId = 1,
): Layout => ({ cylinders, heads, rpm, bytes, firstId, formatOf: () => format, sectorsOf: () => sectors })
const DOUBLE: Format = { code: 'MFM', rate: 250_000 }
const HIGH: Format = { code: 'MFM', rate: 500_000 }

/** 3.5-inch disks whose speed changes with the zone of the cylinder. */
const byZone = (heads: 1 | 2): Layout => ({
  cylinders: 80,
  heads,
  firstId: 0,
  bytes: 512,
  rpm: speedZoneOf(0).rpm,
  rpmOf: c => speedZoneOf(c).rpm,
  formatOf: () => ({ code: 'zoned 6-and-2', rate: ZONED_RATE }),
  sectorsOf: c => speedZoneOf(c).sectors,
})
/** Disks of the serial drives: the rate changes with the zone, the speed does not. */
const serial = (heads: 1 | 2): Layout => ({
  cylinders: 35,
  heads,
  rpm: 300,
  bytes: 256,
  firstId: 0,
  formatOf: c => ({ code: '4-to-5', rate: 1e6 / zoneOf(c).cellUs }),
  sectorsOf: c => zoneOf(c).sectors,
})

/** Layouts that the simulated drive knows, by a name of their own; the first of a class is its usual one. */
export const LAYOUTS: Readonly<Record<string, Layout>> = {
  'mfm-77x2x26': even(77, 2, 360, HIGH, 26, 256),
  'fm-77x1x26': even(77, 1, 360, { code: 'FM', rate: 250_000 }, 26, 128),
  'mfm-40x2x9': even(40, 2, 300, DOUBLE, 9, 512),
  'fm-40x1x10': even(40, 1, 300, { code: 'FM', rate: 125_000 }, 10, 256),
  'mfm-40x1x9': even(40, 1, 300, DOUBLE, 9, 512),
  'mfm-80x2x15': even(80, 2, 360, HIGH, 15, 512),
  'mfm-80x2x9': even(80, 2, 300, DOUBLE, 9, 512),
  'mfm-80x2x18': { ...even(80, 2, 300, HIGH, 18, 512), pulseShare: 0.5 },
  'split-80x2x11': even(80, 2, 300, { code: 'split MFM', rate: 250_000 }, 11, 512, 0),
  'six-35x1x16': even(35, 1, 300, { code: '6-and-2', rate: 250_000 }, 16, 256, 0),
  'five-35x1x13': even(35, 1, 300, { code: '5-and-3', rate: 250_000 }, 13, 256, 0),
  'zoned-80x1': byZone(1),
  'zoned-80x2': byZone(2),
  'zoned-35x1': serial(1),
  'zoned-35x2': serial(2),
}

/** Layouts that suit a class; empty for those that have no cylinders to step over. */
export const layoutsOf = (mechanism: MechanismId): readonly string[] => findMechanism(mechanism).layouts
