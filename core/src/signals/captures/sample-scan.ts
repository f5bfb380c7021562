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
  let sum = 0
  let size = 0
  let at = from | 0
  // Four at a time: the way out is looked for once in four.
  for (; at < end - 3 * every; at += 4 * every) {
    const a = x[at]!
    const b = x[at + every]!
    const c = x[at + 2 * every]!
    const d = x[at + 3 * every]!
    if ((a - low) >>> 0 > span || (b - low) >>> 0 > span || (c - low) >>> 0 > span || (d - low) >>> 0 > span) break
    sum = (sum + a + b + c + d) | 0
    size = (size + sizeOf(a, middle, most) + sizeOf(b, middle, most)) | 0
    size = (size + sizeOf(c, middle, most) + sizeOf(d, middle, most)) | 0
  }
  for (; at < end; at += every) {
    const v = x[at]!
    if ((v - low) >>> 0 > span) break
    sum = (sum + v) | 0
    size = (size + sizeOf(v, middle, most)) | 0
  }
  into.sum += sum
  into.size += size
  return at
}

/** Without a branch. */
const sizeOf = (v: number, middle: number, most: number) => Math.min(Math.abs((v - middle) | 0), most) | 0

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
