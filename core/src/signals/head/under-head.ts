import type { LaidTrack } from './lay-cells'
import { afterAzimuth, afterSpacing, offTrack } from './losses'

/** What a head has before it at an instant. */
export interface HeadView {
  readonly track: LaidTrack
  /** Share of the full signal that is left. */
  readonly signal: number
  /** Noise and what the neighbour adds to it, r.m.s. over this signal; a track's `jitter` says what they move. */
  readonly disturbance: number
}

export interface HeadState {
  /** Where its gap is, µm towards the hub of the middle of `cylinder`. */
  readonly offUm: number
  readonly azimuthMin: number
  readonly spacingUm: number
  readonly amplitude: number
  /** R.m.s. after the differentiator, over the full signal of the densest pattern there. */
  readonly noise: number
  readonly headUm: number
  readonly trackUm: number
  readonly pitchUm: number
}

/** Comparator of the read amplifier: less than this of a full signal makes no pulse (from memory; makers differ). */
export const THRESHOLD = 0.06

/**
 * What a head finds of its track and of the neighbour it leans to: the stronger is read, the other disturbs it.
 * Off-track, spacing and azimuth losses by the published formulas.
 * @returns null where nothing is strong enough
 */
export function viewOf(own: LaidTrack | null, neighbour: LaidTrack | null, h: HeadState): HeadView | null {
  const share = (track: LaidTrack | null, offUm: number) =>
    track
      ? offTrack(offUm - track.radialUm, h.headUm, h.trackUm, h.pitchUm).own *
        h.amplitude *
        afterSpacing(h.spacingUm, track.wavelengthUm) *
        afterAzimuth(Math.min(h.headUm, h.trackUm), h.azimuthMin, track.wavelengthUm)
      : 0
  const mine = share(own, h.offUm)
  const theirs = share(neighbour, h.offUm - Math.sign(h.offUm) * h.pitchUm)
  const [track, signal, other] = mine >= theirs ? [own, mine, theirs] : [neighbour, theirs, mine]
  if (!track || signal < THRESHOLD / 2) return null
  // The neighbour's signal runs past at its own rate: to this track it is noise, of its r.m.s.
  const noise = Math.hypot(h.noise, other / Math.SQRT2)
  return { track, signal, disturbance: noise / signal }
}
