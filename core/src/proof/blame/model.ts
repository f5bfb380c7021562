import jStat from 'jstat'
import { MOVED, type Seal, type Seals } from '../../findings'

export type Head = 0 | 1

/** What a drive, or the writer of a disk, may be as a whole. */
export const MACHINE_STATES = ['right', 'off track', 'off speed'] as const
/** What one head of a drive may be. */
export const HEAD_STATES = ['sound', 'dirty', 'dead', 'off track', 'far off track'] as const
/** What a disk may be; a bad spot stands in one place, numbered head × 3 + zone. */
export type DiskState =
  { readonly kind: 'good' | 'bad' | 'density' | 'narrow' } | { readonly kind: 'spot'; readonly place: number }

/**
 * Shares of sectors that still read, outer to inner: from memory of what comes across a bench. What is short in
 * wavelength suffers first.
 */
const DIRTY = [0.9, 0.7, 0.35] as const
const DENSITY = [0.8, 0.5, 0.15] as const
const DEAD = 0.01
const BAD_DISK = 0.45
const SPOT = 0.45
const NARROW = 0.35
/**
 * Beside the track, or at another speed, by one of the two drives; by both, which may be off alike; and wholly beside
 * it, as one head knocked out of its place is.
 */
const OFF_TRACK = [1, 0.4, 0.45, 0.01] as const
/** Number of the last: a head wholly beside its track reads nothing of what another drive wrote, and all of its own. */
export const FAR_OFF = 3
const OFF_SPEED = [1, 0.35, 0.55] as const
/** Sectors that fail for no reason at all. */
const STRAY = 0.004

/**
 * How reader and writer stand to each other, for one head, as one number: what is with the reader's head beside its
 * being off track (sound,
 * dirty, dead) + 3 × how many of both are beside the track (3: wholly) + 12 × how many are off
 * speed. A drive that reads its own
 * writing has neither.
 */
export const caseNumber = (head: number, offTrack: number, offSpeed: number): number =>
  head + 3 * offTrack + 12 * offSpeed
export const CASES = 36

/** What a disk may do to one place. */
const AT_PLACE = ['good', 'bad', 'density', 'narrow', 'spot'] as const
/** What a disk does to a place, as a number: a bad spot elsewhere does nothing. */
export const atPlace = (disk: DiskState, place: number): number =>
  disk.kind === 'spot' && disk.place !== place ? 0 : AT_PLACE.indexOf(disk.kind)

function shareOf(at: number, zone: number, c: number, wide: boolean): number {
  const byDisk = [1, BAD_DISK, DENSITY[zone]!, wide ? NARROW : 1, SPOT][at]!
  const byHead = [1, DIRTY[zone]!, DEAD][c % 3]!
  return (1 - STRAY) * byDisk * byHead * OFF_TRACK[Math.floor(c / 3) % 4]! * OFF_SPEED[Math.floor(c / 12)]!
}

/**
 * Share of sectors that read in a place (head × 3 + zone) in a case.
 * @param wide whether the reader's head is wider than what a narrow writer leaves
 */
export const readingShare = (disk: DiskState, place: number, c: number, wide: boolean): number =>
  shareOf(atPlace(disk, place), place % 3, c, wide)

/** Sectors of one place fail together: however many were read, they count as no more than this. */
const COUNTED = 12
/** How much the share differs from one time to another: parameters of the beta distribution add up to it. */
const SPREAD = 3
/**
 * What one disk does in one drive has one cause in common: its places count for this share of what independent ones
 * would.
 */
const TEMPER = 0.6
/** What was worked out, by what the disk does, zone, case, width, sectors that read and sectors in all. */
const known = new Float64Array(AT_PLACE.length * 3 * CASES * 2 * (COUNTED + 1) ** 2).fill(Number.NaN)

/**
 * Logarithm of the probability that so many sectors of a place read: beta-binomial, so that one surprise condemns
 * nothing.
 */
export function placeLikelihood(
  good: number,
  sectors: number,
  at: number,
  zone: number,
  c: number,
  wide: boolean,
): number {
  const n = Math.min(COUNTED, sectors)
  const k = Math.round((good * n) / sectors)
  const key = ((((at * 3 + zone) * CASES + c) * 2 + Number(wide)) * (COUNTED + 1) + k) * (COUNTED + 1) + n
  if (Number.isNaN(known[key]!)) known[key] = countLikelihood(k, n, shareOf(at, zone, c, wide))
  return known[key]!
}

function countLikelihood(k: number, n: number, share: number): number {
  const [a, b] = [share * SPREAD, (1 - share) * SPREAD]
  const choose = jStat.gammaln(n + 1) - jStat.gammaln(k + 1) - jStat.gammaln(n - k + 1)
  return TEMPER * (choose + jStat.betaln(k + a, n - k + b) - jStat.betaln(a, b))
}

const movedBy = (seal: Seal | undefined) => MOVED[seal ?? 'never']

/** Chances beforehand, from memory of what comes across a bench; what was measured or done changes them. */
export const PRIORS = {
  machine: (speed: 'right' | 'off' | null, seals: Seals = {}): readonly number[] => {
    const off = speed === 'off' ? 0.9 : speed === 'right' ? 0.004 : 0.05
    // Sensor or stepper: either one that was moved takes both heads with it.
    const beside = seals.sensor || seals.stepper ? movedBy(seals.sensor) + movedBy(seals.stepper) : 0.06
    return [1 - off - (1 - off) * beside, (1 - off) * beside, off]
  },
  foreignWriter: (trusted: boolean): readonly number[] => (trusted ? [0.987, 0.009, 0.004] : [0.87, 0.09, 0.04]),
  head: (clean: boolean, seal?: Seal): readonly number[] => {
    const [dirty, beside] = [clean ? 0.02 : 0.13, seal ? movedBy(seal) : 0.07]
    // Two heads in seven that were moved stand wholly beside their track.
    return [1 - dirty - 0.03 - beside, dirty, 0.03, (beside * 5) / 7, (beside * 2) / 7]
  },
  disk: (trusted: boolean) =>
    trusted ? { bad: 0.01, spots: 0.015, density: 0.002 } : { bad: 0.06, spots: 0.06, density: 0.03 },
  /** A disk that a narrower head wrote over what a wider one had written. */
  narrow: (writerIsNarrow: boolean) => (writerIsNarrow ? 0.2 : 0.03),
} as const
