import { findPeriod } from './find-period'
import type { PhaseRate } from './follow-phase'
import type { Series } from './series'

/** Something that comes once a revolution. */
export interface Rhythm {
  readonly rpm: number
  /** Half-width of the 95 % interval, r/min; the recorder's clock included. */
  readonly uncertainty: number
  /** Revolutions that it was found in. */
  readonly revolutions: number
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

/** A rhythm as a speed, in r/min, where it comes so many times a revolution; the clock's part in its uncertainty. */
export function rpmOf(
  { hz, uncertainty }: Pick<PhaseRate, 'hz' | 'uncertainty'>,
  perRevolution = 1,
): { readonly rpm: number; readonly uncertainty: number } {
  const toRpm = 60 / perRevolution
  return { rpm: toRpm * hz, uncertainty: toRpm * Math.hypot(uncertainty, hz * CLOCK) }
}

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
  return found && { ...rpmOf(found), revolutions: found.cycles }
}
