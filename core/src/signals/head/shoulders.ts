import { pulseSlope } from './crossing'

/** Upper end of a read channel's band, cycles in a pulse width (from memory; makers differ). */
const BAND = 1.2
/** So near a peak, in pulse widths, a crossing is the peak's own. */
const OWN = 0.6
const STEPS = 200

/**
 * Zero crossings of the differentiated signal that noise makes between two far peaks of opposite polarity, expected
 * number: the rate of crossings of a Gaussian process about a mean slope (Rice, Bell System Technical Journal 24,
 * 1945), over the flat stretch between them.
 * @param ratio distance of the peaks in pulse widths @param noise r.m.s. over an isolated pulse
 *
 * @example
 * extraCrossings(2, 0.02) < 0.01 // true
 */
export function extraCrossings(ratio: number, noise: number): number {
  if (ratio <= 2 * OWN || noise <= 0) return 0
  const slopeSd = (noise * 2 * Math.PI * BAND) / Math.sqrt(3)
  const perWidth = 2 * BAND * Math.sqrt(3 / 5)
  const dx = (ratio - 2 * OWN) / STEPS
  let sum = 0
  for (let i = 0; i < STEPS; i++) {
    const x = OWN + (i + 0.5) * dx
    const slope = -pulseSlope(x, 1) - pulseSlope(ratio - x, 1)
    sum += perWidth * Math.exp(-(slope * slope) / (2 * slopeSd * slopeSd)) * dx
  }
  return sum
}
