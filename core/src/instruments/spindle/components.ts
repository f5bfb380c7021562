import FFT from 'fft.js'
import { leastSquares, median, topOfLine } from '../../base/numbers'

/** A periodic part of the speed. */
export interface Component {
  /** Cycles per mark, 0 to 0.5. */
  readonly cyclesPerMark: number
  readonly hz: number
  /** Zero-to-peak depth in % of the mean speed, corrected for what averaging over an interval hides. */
  readonly peakPercent: number
}

const MOST = 6
/** Fewer cycles than this in the capture are drift, not a period. */
const FEWEST_CYCLES = 3
/** Depths below this, in %, are of no interest. */
const SHALLOWEST = 0.01
/** Chance that pure scatter shows one line. */
const FALSE_ALARM = 1e-3

/** Marks from which a spectrum needs no padding. */
const LONG = 8192
/** Noise is taken from this many line widths to either side, so that slow wander does not pass for lines. */
const NEIGHBOURHOOD = 16

/** What averaging over an interval leaves of a variation with the given cycles per interval. */
export const sinc = (x: number) => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x))

function powerSpectrum(x: Float64Array): { power: Float64Array; perBin: number } {
  const n = x.length
  // Short captures are padded, so that the peak of a line falls near a bin; long ones have bins enough.
  const size = 2 ** Math.ceil(Math.log2(Math.max(64, n > LONG ? n : 2 * n)))
  const windowed = new Array<number>(size).fill(0)
  let gain = 0
  for (let i = 0; i < n; i++) {
    const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / n)
    gain += w
    windowed[i] = x[i]! * w
  }
  const fft = new FFT(size)
  const out = fft.createComplexArray() as number[]
  fft.realTransform(out, windowed)
  const power = new Float64Array(size / 2)
  for (let k = 0; k < power.length; k++) power[k] = (out[2 * k]! ** 2 + out[2 * k + 1]! ** 2) * (2 / gain) ** 2
  return { power, perBin: 1 / size }
}

/**
 * Mean noise power about each bin, from the median of its neighbourhood (the median of a power is ln 2 of its mean).
 * Slow wander is stronger the slower it is, so the neighbourhood narrows towards the low end.
 */
function noiseFloor(power: Float64Array, lowest: number, reach: number): Float64Array {
  const floor = new Float64Array(power.length)
  for (let from = lowest; from < power.length;) {
    const block = Math.max(1, Math.round(Math.min(reach, from / 2)))
    const low = Math.max(lowest, from - block)
    const high = Math.min(power.length, from + 2 * block)
    floor.fill(median(power.subarray(low, high)) / Math.LN2, from, from + block)
    from += block
  }
  return floor
}

/**
 * Finds what varies periodically. Marks are evenly spaced in angle, so whatever is geared or belted to the
 * spindle is a pure line here even while the speed drifts.
 * @param deviation speed deviation of consecutive intervals, as a share of the mean, drift taken off
 * @param intervalS mean interval between marks, seconds
 */
export function findComponents(deviation: Float64Array, intervalS: number): Component[] {
  const n = deviation.length
  if (n < 24) return []
  const { power, perBin } = powerSpectrum(deviation)
  const lowest = Math.max(2, Math.ceil(FEWEST_CYCLES / n / perBin))
  const lineWidth = 1 / n / perBin
  const threshold = noiseFloor(power, lowest, NEIGHBOURHOOD * lineWidth).map(p => p * Math.log(n / FALSE_ALARM))
  const candidates: number[] = []
  for (let k = lowest; k < power.length - 1; k++) {
    if (power[k]! > threshold[k]! && power[k]! >= power[k - 1]! && power[k]! > power[k + 1]!) candidates.push(k)
  }
  candidates.sort((a, b) => power[b]! - power[a]!)
  const lines: number[] = []
  for (const k of candidates) {
    if (lines.length >= MOST) break
    // The window's side lobes around a strong line are not lines of their own.
    const shadowed = lines.some(l => {
      const apart = Math.abs(k - l) / lineWidth
      return apart < 2.2 || (apart < 8 && power[k]! < power[l]! * 1e-3)
    })
    if (!shadowed) lines.push(k)
  }
  const frequencies = lines.map(k => topOfLine(power, k) * perBin)
  const columns = frequencies.flatMap(f => {
    const cos = new Float64Array(n)
    const sin = new Float64Array(n)
    for (let i = 0; i < n; i++) {
      cos[i] = Math.cos(2 * Math.PI * f * i)
      sin[i] = Math.sin(2 * Math.PI * f * i)
    }
    return [cos, sin]
  })
  const fit = leastSquares(columns, deviation)
  return frequencies
    .map((f, i) => ({
      cyclesPerMark: f,
      hz: f / intervalS,
      peakPercent: (100 * Math.hypot(fit[2 * i]!, fit[2 * i + 1]!)) / sinc(f),
    }))
    .filter(c => c.peakPercent >= SHALLOWEST)
    .sort((a, b) => b.peakPercent - a.peakPercent)
}
