import { findPeriod } from './find-period'
import type { Series } from './series'

/** Something that comes once a revolution. */
export interface Rhythm {
  readonly rpm: number
  /** Half-width of the 95 % interval, r/min; the recorder's clock included. */
  readonly uncertainty: number
  /** Revolutions that it was found in. */
  readonly revolutions: number
  /** Share of the revolutions, in stretches of a few, in which it was there. */
  readonly there: number
  /** How many times it stands above chance. */
  readonly aboveChance: number
}

export interface RhythmOptions {
  /** Speeds that would be right, r/min: it is looked for about each of them. */
  readonly nominalRpm: readonly number[]
}

/** So far off, as a ratio, a spindle is looked for: a quarter too fast happens, twice as fast does not. */
export const REACH = 1.3
/** Clocks of sound cards and of films may be off by this share (from memory). */
export const CLOCK = 1e-4
/** A short mark or a rub shows in so many multiples of the speed. */
export const HARMONICS = 6

/**
 * The speed of something that comes once a revolution: a rub that is heard, a mark that is filmed. Only the mean speed
 * comes of it: no single revolution is timed.
 * @returns null where nothing comes once a revolution near one of the nominal speeds, or for too few revolutions
 */
export function findRhythm(series: Series, { nominalRpm }: RhythmOptions): Rhythm | null {
  const found = findPeriod(series, {
    slowestHz: Math.min(...nominalRpm) / REACH / 60,
    fastestHz: (Math.max(...nominalRpm) * REACH) / 60,
    harmonics: HARMONICS,
    expectedHz: nominalRpm.map(rpm => rpm / 60),
  })
  if (!found) return null
  const { hz, uncertainty, cycles, there, aboveChance } = found
  return {
    rpm: 60 * hz,
    uncertainty: 60 * Math.hypot(uncertainty, hz * CLOCK),
    revolutions: cycles,
    there,
    aboveChance,
  }
}
