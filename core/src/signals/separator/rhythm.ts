/** Candidates for the common measure of the spacings, shares of a short spacing, and how many are tried. */
const [LEAST, MOST, STEPS] = [0.28, 1.12, 240]
/** Spacings that are looked at, at most, and at least. */
const [SAMPLE, FEWEST] = [600, 100]
/** Less than this is no rhythm: noise through a read amplifier shows 0.2 to 0.35 (fitted to a numerical amplifier). */
const RHYTHM = 0.42

/**
 * How well the spacings of some transitions are whole multiples of one measure, 0 to 1: near 1 for a code, well below
 * a half for noise through an amplifier that turned its gain up. The resultant of the spacings as angles, for the
 * measure that suits best.
 * @returns null for too few transitions
 */
export function rhythmOf(times: ArrayLike<number>): number | null {
  const n = Math.min(SAMPLE, times.length - 1)
  if (n < FEWEST) return null
  const from = (times.length - 1 - n) >> 1
  const gaps = Float64Array.from({ length: n }, (_, i) => times[from + i + 1]! - times[from + i]!)
  const short = gaps.slice().sort()[Math.floor(n * 0.05)]!
  if (!(short > 0)) return null
  let best = 0
  for (let k = 0; k < STEPS; k++) {
    const turn = (2 * Math.PI) / (short * (LEAST + ((MOST - LEAST) * k) / (STEPS - 1)))
    let [x, y] = [0, 0]
    for (const g of gaps) {
      x += Math.cos(turn * g)
      y += Math.sin(turn * g)
    }
    best = Math.max(best, Math.hypot(x, y) / n)
  }
  return best
}

/** Whether transitions have no rhythm of any code: noise alone, or a signal that is lost in it. */
export function hasNoRhythm(times: ArrayLike<number>): boolean {
  const rhythm = rhythmOf(times)
  return rhythm !== null && rhythm < RHYTHM
}
