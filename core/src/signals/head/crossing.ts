/**
 * How far noise moves the zero crossing of the differentiated signal, where a separator sees a transition. Pulses are
 * Lorentzian as in `peak-shift`; noise is white over the band of the channel, three times the highest frequency of
 * the code (from memory; makers differ), and given as r.m.s. after differentiating, as a share of the amplitude that
 * the densest pattern has there.
 */

/** Neighbours on each side that still matter to the densest pattern. */
const REACH = 20
/** Places between two peaks at which the slope of the densest pattern is looked for. */
const PLACES = 60

/** Slope of an isolated pulse of a width, one over the unit of the width. */
export const pulseSlope = (x: number, width: number): number => {
  const u = (2 * x) / width
  return ((-2 * u) / (1 + u * u) ** 2) * (2 / width)
}

/** Curvature of an isolated pulse of a width, one over the square of its unit. */
const curvature = (x: number, width: number): number => {
  const u = (2 * x) / width
  return ((6 * u * u - 2) / (1 + u * u) ** 3) * (2 / width) ** 2
}

/** Amplitude of the differentiated signal of the densest pattern, one over the unit of its spacing. */
export function densestSlope(spacing: number, width: number): number {
  let most = 0
  for (let i = 0; i <= PLACES; i++) {
    const x = (i / PLACES) * spacing
    let sum = 0
    for (let k = -REACH; k <= REACH; k++) sum += (k & 1 ? -1 : 1) * pulseSlope(x - k * spacing, width)
    most = Math.max(most, Math.abs(sum))
  }
  return most
}

/**
 * Jitter of a transition between neighbours for each unit of noise: amplitude of the densest pattern over the
 * curvature of the summed pulses at the peak, in the unit of the distances.
 * @param dense amplitude by {@link densestSlope} @param shift how far the neighbours moved the peak
 */
export function jitterPerNoise(before: number, after: number, shift: number, width: number, dense: number): number {
  const bend = curvature(shift, width) - curvature(shift + before, width) - curvature(shift - after, width)
  return dense / Math.abs(bend)
}

/**
 * The same noise before it is differentiated, share of an isolated pulse for each unit of noise after: differentiated
 * white noise of a band B grows by 2πB/√3.
 * @param spacing of the densest pattern, so that its frequency is 1 ÷ (2 × spacing)
 */
export const noiseBefore = (dense: number, spacing: number): number => (dense * spacing) / (Math.PI * Math.sqrt(3))
