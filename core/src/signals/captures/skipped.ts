import { median, movingMedian } from '../../base/numbers'
import type { Gap } from './capture'

/** A spindle's neighbouring revolutions differ by less than this share, and its flywheel forbids a leap and back. */
const LEAP = 0.015
/** A drive that is unsteady in itself leaps only beyond this many times what is usual for it. */
const UNSTEADY = 9
/** The usual interval is the median over so many on both sides. */
const ROUND = 15
/** What leaps at the end may yet come back: so many too short ones wait to be believed. */
const WAIT = 2
/** Whole intervals within this share: then marks are missing or extra, and no time is. */
const WHOLE = 0.005
/** More of them than this share, or so many at the same distance, are a pattern of the marks or the drive itself. */
const MOST = 0.3
const ALIKE = 0.6
/** So many intervals are looked at together for whether any of them leaps. */
const BLOCK = 128
/** So few cannot show a pattern: then this share. */
const FEW_RUNS = 3
const FEW = 0.05

/** Neighbouring intervals that leap from what is usual around them. */
interface Leap {
  readonly from: number
  /** One after the last. */
  readonly to: number
  /** One of them is too short, which no drive does; a slip of the belt makes some longer. */
  readonly short: boolean
}

/**
 * Places where a piece of a sound was dropped or put in on its way without a trace: between revolutions that agree,
 * some leap. What is longer only may be a slip of the belt: it counts as lost only where at least as many other places
 * show that sound is being lost.
 * @param starts times of the pulses, s
 * @param known gaps that show otherwise
 * @returns the intervals, in which nothing may be measured; none where they come too often or in a pattern
 */
export function skipped(starts: ArrayLike<number>, known: readonly Gap[] = []): Gap[] {
  const lengths = new Float64Array(Math.max(0, starts.length - 1))
  for (let i = 0; i < lengths.length; i++) lengths[i] = starts[i + 1]! - starts[i]!
  if (!anyLeaps(lengths)) return []
  const usual = movingMedian(lengths, ROUND)
  const off = lengths.map((length, i) => Math.abs(length / usual[i]! - 1))
  const leaps = leapsIn(off, Math.max(LEAP, UNSTEADY * median(off)), i => lengths[i]! < usual[i]!).filter(
    leap => !marksOnly(leap, lengths, usual),
  )
  const shows = leaps.filter(l => l.short || overlaps(starts[l.from]!, starts[l.to]!, known))
  const lost = leaps.length <= 2 * shows.length ? leaps : shows
  if (patterned(lost, lengths.length)) return []
  return lost.map(l => ({ fromS: starts[l.from]!, toS: starts[l.to]! }))
}

/**
 * Whether any interval is farther from what is usual around it than the least leap. Most recordings are steady from
 * beginning to end: where the longest and the shortest of a stretch agree, no median of it is needed.
 */
function anyLeaps(lengths: Float64Array): boolean {
  for (let from = 0; from < lengths.length; from += BLOCK) {
    const first = Math.max(0, from - ROUND)
    const around = lengths.subarray(first, from + BLOCK + ROUND)
    let [least, most] = [Infinity, 0]
    for (const length of around) {
      if (length < least) least = length
      if (length > most) most = length
    }
    if (most / least - 1 <= LEAP) continue
    // In the block itself the medians are those of the whole list: all that is beside it was taken along.
    const usual = movingMedian(around, ROUND)
    const end = Math.min(BLOCK, lengths.length - from)
    for (let i = from; i < from + end; i++) if (Math.abs(lengths[i]! / usual[i - first]! - 1) > LEAP) return true
  }
  return false
}

/** Leaps between steady intervals: what leads in or out may be a motor that starts, stops or changes its speed. */
function leapsIn(off: Float64Array, limit: number, isShort: (i: number) => boolean): Leap[] {
  const found: Leap[] = []
  for (let i = off.findIndex(o => o <= limit); i >= 0 && i < off.length; i++) {
    const from = i
    let short = false
    for (; i < off.length && off[i]! > limit; i++) short ||= isShort(i)
    if (i > from && (i < off.length || (short && i - from <= WAIT))) found.push({ from, to: i, short })
  }
  return found
}

/**
 * Whether the time of a leap is whole, and only the count of its marks is not: alone, or with the interval before or
 * after it, from which a second pulse of the same mark takes hardly anything.
 */
function marksOnly({ from, to }: Leap, lengths: Float64Array, usual: Float64Array): boolean {
  const isWhole = (first: number, end: number): boolean => {
    let sum = 0
    for (let i = Math.max(0, first); i < Math.min(end, lengths.length); i++) sum += lengths[i]! / usual[i]!
    const whole = Math.round(sum)
    return whole > 0 && whole !== end - first && Math.abs(sum - whole) < WHOLE * whole
  }
  return isWhole(from, to) || isWhole(from, to + 1) || isWhole(from - 1, to)
}

/** Whether leaps come so often, or so regularly, that sound which is lost by chance does not explain them. */
function patterned(leaps: readonly Leap[], intervals: number): boolean {
  const inside = leaps.reduce((n, l) => n + l.to - l.from, 0)
  if (leaps.length < FEW_RUNS) return inside > Math.max(1, FEW * intervals)
  const apart = new Map<number, number>()
  for (let i = 1; i < leaps.length; i++) {
    const distance = leaps[i]!.from - leaps[i - 1]!.from
    apart.set(distance, (apart.get(distance) ?? 0) + 1)
  }
  return inside > MOST * intervals || Math.max(...apart.values()) > ALIKE * (leaps.length - 1)
}

const overlaps = (fromS: number, toS: number, gaps: readonly Gap[]) => gaps.some(g => g.fromS < toS && g.toS > fromS)
