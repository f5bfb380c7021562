import { median } from '../../base/numbers'
import type { PulseTrain } from './pulse-train'

export interface HardSectors {
  /** Sector holes in a turn, the extra one not counted. */
  readonly sectors: number
  /** The train without the extra hole: evenly spaced marks. */
  readonly train: PulseTrain
  /** Position in `train.starts` of the first mark after an extra hole. */
  readonly firstOfTurn: number
}

/** How far an interval may be from what is expected, as a share of it. */
const NEAR = 0.2

/**
 * Recognises a hard-sectored disk: evenly spaced sector holes, and one extra hole a turn halfway between two.
 * Needs the extra hole twice, with the same number of holes between.
 * @returns null where the train has no such pattern
 */
export function findHardSectors(train: PulseTrain): HardSectors | null {
  const { starts } = train
  if (starts.length < 12) return null
  const gaps = new Float64Array(starts.length - 1)
  for (let i = 0; i < gaps.length; i++) gaps[i] = starts[i + 1]! - starts[i]!
  const whole = median(gaps)
  const isHalf = (i: number) => Math.abs(gaps[i]! - whole / 2) < (whole / 2) * NEAR
  const isWhole = (i: number) => Math.abs(gaps[i]! - whole) < whole * NEAR
  const extras: number[] = []
  for (let i = 0; i + 1 < gaps.length; i++) {
    const alone = (i === 0 || isWhole(i - 1)) && (i + 2 >= gaps.length || isWhole(i + 2))
    if (isHalf(i) && isHalf(i + 1) && alone) extras.push(i + 1)
  }
  if (extras.length < 2) return null
  const between = extras.slice(1).map((e, i) => e - extras[i]!)
  const holes = Math.round(median(between))
  if (holes < 8 || holes > 40) return null
  const agreeing = between.filter(b => b % holes === 0).length
  if (agreeing < between.length * 0.8) return null
  const drop = new Set(extras)
  // An extra hole at either end of the recording has only one neighbour.
  const last = starts.length - 1
  if (isHalf(0) && extras[0]! % holes === 0) drop.add(0)
  if (isHalf(gaps.length - 1) && (last - extras[0]!) % holes === 0) drop.add(last)
  const kept = starts.filter((_, i) => !drop.has(i))
  return { sectors: holes - 1, train: { starts: kept, gaps: train.gaps }, firstOfTurn: extras[0]! }
}
