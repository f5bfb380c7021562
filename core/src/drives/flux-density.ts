import type { Mechanism, RecordingFormat } from './types'

/**
 * Flux transitions per radian from transitions per second and speed: the “7 958 ftprad” of several standards’ titles.
 * @param fluxPerSecond highest rate of transitions, 1/s
 * @param rpm spindle speed, r/min
 * @example fluxPerRadian(250_000, 300) // 7957.7
 */
export function fluxPerRadian(fluxPerSecond: number, rpm: number): number {
  return fluxPerSecond / ((rpm * 2 * Math.PI) / 60)
}

/** Radius in mm of a track; tracks count inward from 0. */
export function trackRadiusMm(track0Mm: number, pitchMm: number, track: number): number {
  return track0Mm - pitchMm * track
}

/**
 * Flux transitions per inch on the innermost track of the head that reaches furthest in.
 * Returns null where the mechanism's track radii are not known.
 */
export function innermostFluxPerInch(mechanism: Mechanism, format: RecordingFormat): number | null {
  const { pitchMm, track0LowerMm, track0UpperMm, cylinders } = mechanism.geometry
  const outer = track0UpperMm ?? track0LowerMm
  if (!pitchMm || !outer) return null
  const radius = trackRadiusMm(outer.value, pitchMm.value, cylinders.value - 1)
  return (fluxPerRadian(format.fluxPerSecond.value, format.rpm) / radius) * 25.4
}
