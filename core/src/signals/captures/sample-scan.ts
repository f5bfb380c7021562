/** Samples of one channel, as they lie in a recording. */
export type Samples = Int16Array | Float64Array

/** A stretch of samples that need no look of their own. */
export interface Band {
  /** Samples from the low to the high end are passed over. */
  low: number
  high: number
  /** What their sizes are taken from, and the most that one may count. */
  middle: number
  most: number
}

/** What was passed over. */
export interface Tally {
  sum: number
  /** Sum of the sizes, each at most what the band allows. */
  size: number
}

/**
 * Passes over whole samples as long as they lie within a band. Nearly all time goes here: nothing in it branches but
 * the way out. The ends of the band, its middle and its most must be whole.
 * @param every so many samples lie between one and the next of the channel
 * @returns where the first one outside lies, or the end
 */
export function passInts(x: Int16Array, from: number, end: number, every: number, band: Band, into: Tally): number {
  // Said to be whole for the compiler: it would work in floating point otherwise.
  const [low, middle, most] = [band.low | 0, band.middle | 0, band.most | 0]
  const span = ((band.high | 0) - low) | 0
  let [sum, size] = [0, 0]
  let at = from
  for (; at < end; at += every) {
    const v = x[at]!
    if ((v - low) >>> 0 > span) break
    sum = (sum + v) | 0
    const d = (v - middle) | 0
    const sign = d >> 31
    const over = (((d ^ sign) - sign) | 0) - most
    size = (size + most + (over & (over >> 31))) | 0
  }
  into.sum += sum
  into.size += size
  return at
}

/** The same of any samples. What was passed over comes out the same however it is cut into pieces. */
export function passFloats(x: Samples, from: number, end: number, every: number, band: Band, into: Tally): number {
  const { low, high, middle, most } = band
  let { sum, size } = into
  let at = from
  for (; at < end; at += every) {
    const v = x[at]!
    if (v > high || v < low) break
    sum += v
    const d = Math.abs(v - middle)
    size += d < most ? d : most
  }
  into.sum = sum
  into.size = size
  return at
}
