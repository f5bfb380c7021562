import { readMarkedSectors, writeMarkedTrack, type AddressField, type MarkedLayout } from './byte-sectors'
import { BYTES, VALUE } from './group-6-and-2'
import type { FoundSector } from './read-sectors'
import type { SectorToWrite } from './sector-track'

/**
 * The 3.5-inch disks whose speed changes by zone (from memory): cells of 2 µs throughout, five zones of sixteen
 * cylinders, 524 bytes a sector, of which the first 12 are tags.
 */
export const SPEED_ZONES = [
  { upTo: 15, rpm: 394, sectors: 12 },
  { upTo: 31, rpm: 429, sectors: 11 },
  { upTo: 47, rpm: 472, sectors: 10 },
  { upTo: 63, rpm: 525, sectors: 9 },
  { upTo: 79, rpm: 590, sectors: 8 },
] as const
export const speedZoneOf = (cylinder: number) => SPEED_ZONES.find(z => cylinder <= z.upTo) ?? SPEED_ZONES[4]
/** Cells a second. */
export const ZONED_RATE = 500_000

const SIZE = 512
const TAGS = 12
/** A sector's own number, 699 values and four of the check. */
const CODED = 1 + 699 + 4
/** What is written for two sides, sectors two to one (from memory); 12 and 24 hex occur too, and none is refused. */
const FORMAT = 0x22

const ADDRESS: AddressField = {
  bytes: 5,
  write: ({ cylinder, head, sector }) => {
    const parts = [cylinder & 63, sector, (head << 5) | (cylinder >> 6), FORMAT]
    return [...parts, parts.reduce((x, p) => x ^ p, 0)].map(v => BYTES[v]!)
  },
  read: bytes => {
    const [low, sector, side, format, check] = bytes.map(b => VALUE.get(b) ?? -1) as [
      number,
      number,
      number,
      number,
      number,
    ]
    const good = Math.min(low, sector, side, format, check) >= 0 && (low ^ sector ^ side ^ format ^ check) === 0
    return { cylinder: Math.max(0, low) | ((side & 1) << 6), head: (side >> 5) & 1, sector: Math.max(0, sector), good }
  },
}

const LAYOUT: MarkedLayout = {
  marks: { address: [0xd5, 0xaa, 0x96], data: [0xd5, 0xaa, 0xad], end: [0xde, 0xaa] },
  address: ADDRESS,
  size: SIZE,
  zeros: 2,
  syncs: [8, 5],
}

/** Three running checks, each taking the carry of the one before it. */
class Checks {
  private c = [0, 0, 0]

  /** Turns the first check; its highest bit is the carry that the group begins with. */
  begin(): number {
    const carry = this.c[0]! >> 7
    this.c[0] = ((this.c[0]! << 1) & 0xff) | carry
    return carry
  }

  /** Adds a plain byte to a check. @returns the carry */
  add(which: number, byte: number, carry: number): number {
    const sum = this.c[which]! + byte + carry
    this.c[which] = sum & 0xff
    return sum >> 8
  }

  of = (which: number): number => this.c[which]!

  /** The check as four values of six bits. */
  sixes(): number[] {
    const [a, b, c] = this.c as [number, number, number]
    return [(a >> 6) | ((b >> 6) << 2) | ((c >> 6) << 4), c & 63, b & 63, a & 63]
  }
}

/** The check that each byte of a group is added to, and the one that hides it. */
const ADDED_TO = [2, 1, 0] as const
const HIDDEN_BY = [0, 2, 1] as const

/** 524 bytes as 703 values of six bits, the check at their end. */
export function toZoned(bytes: Uint8Array): number[] {
  const checks = new Checks()
  const out: number[] = []
  for (let at = 0; at < bytes.length; at += 3) {
    const group = bytes.subarray(at, at + 3)
    let carry = checks.begin()
    const hidden = Array.from(group, (byte, k) => {
      carry = checks.add(ADDED_TO[k]!, byte, carry)
      return byte ^ checks.of(HIDDEN_BY[k]!)
    })
    out.push(
      hidden.reduce((tops, h, k) => tops | ((h >> 6) << (4 - 2 * k)), 0),
      ...hidden.map(h => h & 63),
    )
  }
  return [...out, ...checks.sixes()]
}

/** The way back. @returns null where the check fails */
export function fromZoned(sixes: readonly number[]): Uint8Array | null {
  const checks = new Checks()
  const out = new Uint8Array(TAGS + SIZE)
  let from = 0
  for (let at = 0; at < out.length; at += 3) {
    const tops = sixes[from++]!
    let carry = checks.begin()
    for (let k = 0; k < Math.min(3, out.length - at); k++) {
      const hidden = (((tops >> (4 - 2 * k)) & 3) << 6) | sixes[from++]!
      const byte = hidden ^ checks.of(HIDDEN_BY[k]!)
      carry = checks.add(ADDED_TO[k]!, byte, carry)
      out[at + k] = byte
    }
  }
  return checks.sixes().every((c, i) => c === sixes[from + i]) ? out : null
}

/**
 * A track of a zoned 3.5-inch disk.
 * @param length cells of a revolution @throws ParameterError where it does not fit, or a sector is not of 512 bytes
 */
export const zonedTrack = (sectors: readonly SectorToWrite[], length: number): Uint8Array =>
  writeMarkedTrack(sectors, length, LAYOUT, ({ sector, data, tags }) => {
    const bytes = new Uint8Array(TAGS + SIZE)
    bytes.set(tags ?? [])
    bytes.set(data, TAGS)
    return [sector, ...toZoned(bytes)].map(v => BYTES[v]!)
  })

/** The sectors in a stream of cells of a zoned 3.5-inch disk. */
export const readZonedSectors = (cells: Uint8Array): FoundSector[] =>
  readMarkedSectors(cells, LAYOUT, CODED, bytes => {
    const sixes = bytes.slice(1).map(b => VALUE.get(b))
    const whole = sixes.includes(undefined) ? null : fromZoned(sixes as number[])
    return whole && { data: whole.slice(TAGS), tags: whole.slice(0, TAGS) }
  })
