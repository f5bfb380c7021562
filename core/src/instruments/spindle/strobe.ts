import { ParameterError } from '../../base/errors'
import { mean, sampleDeviation, t95 } from '../../base/numbers'

export interface StrobeBars {
  /** Whole number of bars. */
  readonly bars: number
  /** Speed at which they stand still, r/min. */
  readonly stillRpm: number
  /** How far that is from the speed asked for, %. */
  readonly errorPercent: number
  /** Whether the bars stand still at the speed asked for, to 0.02 %. */
  readonly fits: boolean
}

const FITS_PERCENT = 0.02

function positive(value: number, field: string): void {
  if (!(value > 0 && Number.isFinite(value)))
    throw new ParameterError(`${field} is ${value}`, 'a number above 0', { field })
}

/**
 * Bars of a strobe pattern under a lamp on the mains, which flashes twice a cycle: 120 f / r/min.
 * @param rpm speed at which the pattern should stand still @param mainsHz mains frequency
 * @example strobeBars(45, 60).bars // 160
 */
export function strobeBars(rpm: number, mainsHz: number): StrobeBars {
  positive(rpm, 'speed')
  positive(mainsHz, 'mains frequency')
  const bars = Math.max(1, Math.round((120 * mainsHz) / rpm))
  const stillRpm = (120 * mainsHz) / bars
  const errorPercent = 100 * (stillRpm / rpm - 1)
  return { bars, stillRpm, errorPercent, fits: Math.abs(errorPercent) < FITS_PERCENT }
}

export interface CreepReading {
  readonly rpm: number
  /** Half-width of the 95 % interval from the scatter of the taps, r/min; null for fewer than two intervals. */
  readonly uncertainty: number | null
  readonly barsPerSecond: number
}

/**
 * Speed from how fast a pattern of bars creeps past a fixed point.
 * @param bars in the pattern @param mainsHz mains frequency
 * @param tapsS times of the taps in seconds, one a bar passing, at least two
 * @param direction `forward`: the bars creep the way the disk turns, so it is fast
 */
export function rpmFromCreep(
  bars: number,
  mainsHz: number,
  tapsS: readonly number[],
  direction: 'forward' | 'backward',
): CreepReading {
  positive(bars, 'bars')
  positive(mainsHz, 'mains frequency')
  if (tapsS.length < 2)
    throw new ParameterError(`${tapsS.length} tap`, 'at least two, one as each bar passes', { field: 'taps' })
  const gaps = tapsS.slice(1).map((t, i) => t - tapsS[i]!)
  if (gaps.some(g => !(g > 0)))
    throw new ParameterError('a tap comes before the one it follows', 'times that increase', { field: 'taps' })
  const sign = direction === 'forward' ? 1 : -1
  const period = mean(gaps)
  const still = (120 * mainsHz) / bars
  const creep = 60 / bars / period
  const error =
    gaps.length > 1 ? ((t95(gaps.length - 1) * sampleDeviation(gaps)) / Math.sqrt(gaps.length) / period) * creep : null
  return { rpm: still + sign * creep, uncertainty: error, barsPerSecond: 1 / period }
}
