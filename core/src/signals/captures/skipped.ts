import type { Gap } from './capture'

/** A spindle does not turn so much faster for one revolution and then as before: its flywheel forbids it. */
const SHORTER = 0.985
const AS_BEFORE = 0.01
/** More of them than this share are a pattern of the marks. */
const FEW = 0.05

/**
 * Places where a piece of a sound was dropped on its way without a trace: one interval is too short between two that
 * agree. A slip of the belt makes one longer, never shorter.
 * @param starts times of the pulses, s
 * @returns the intervals, in which nothing may be measured; none where they come too often
 */
export function skipped(starts: ArrayLike<number>): Gap[] {
  const found: Gap[] = []
  for (let i = 2; i + 1 < starts.length; i++) {
    const before = starts[i - 1]! - starts[i - 2]!
    const here = starts[i]! - starts[i - 1]!
    const after = starts[i + 1]! - starts[i]!
    if (here < SHORTER * Math.min(before, after) && Math.abs(before / after - 1) < AS_BEFORE)
      found.push({ fromS: starts[i - 1]!, toS: starts[i]! })
  }
  return found.length <= Math.max(1, FEW * starts.length) ? found : []
}
