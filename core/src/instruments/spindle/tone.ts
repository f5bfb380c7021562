import type { SpeedVerdict } from './judge-speed'

/** A tone that tells the ear how far off a speed is and which way. */
export interface SpeedTone {
  /** Pitch: lower is slow, higher is fast, the middle A when right. */
  readonly hz: number
  /** Beats a second; 0 is a steady tone: inside the band. */
  readonly beatsPerSecond: number
}

const RIGHT_HZ = 440
const MOST_BEATS = 8

/**
 * @param rpm measured speed @param target speed aimed at @param halfBand half-width within which it is right, r/min
 * @param octaveShare share of speed that makes one octave of pitch: smaller is finer
 */
export function speedTone(rpm: number, target: number, halfBand: number, octaveShare = 0.06): SpeedTone {
  const off = rpm / target - 1
  const octaves = Math.max(-1.5, Math.min(1.5, off / octaveShare))
  const outside = Math.abs(rpm - target) - halfBand
  const beats = outside <= 0 ? 0 : Math.min(MOST_BEATS, 1 + ((60 * outside) / target) * 2)
  return { hz: RIGHT_HZ * 2 ** octaves, beatsPerSecond: beats }
}

/** Share of the nominal speed within which it is right, where a drive type has no narrow band. */
const USUAL_BAND = 0.002

/** Half-width of the band in which a speed is right, r/min: what the tone is steady within. */
export const toneBand = ({ narrow, nominalRpm }: Pick<SpeedVerdict, 'narrow' | 'nominalRpm'>): number =>
  narrow ? (narrow.high - narrow.low) / 2 : nominalRpm * USUAL_BAND
