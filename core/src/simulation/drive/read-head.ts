import { lowerBound } from '../../numbers'
import { afterAzimuth, afterSpacing, jitterOf, offTrack } from '../../recording'
import type { QuickGauss } from '../gauss'
import type { LaidTrack } from './medium'

/** What a head has before it at an instant. */
export interface HeadView {
  readonly track: LaidTrack
  /** Share of the full signal that is left. */
  readonly signal: number
  /** Jitter of an isolated transition, cells r.m.s. */
  readonly jitterCells: number
}

export interface HeadState {
  /** Where its gap is, µm towards the hub of the middle of `cylinder`. */
  readonly offUm: number
  readonly azimuthMin: number
  readonly spacingUm: number
  readonly amplitude: number
  readonly noise: number
  readonly headUm: number
  readonly trackUm: number
  readonly pitchUm: number
}

/** Comparator of the read amplifier: less than this of a full signal makes no pulse (from memory; makers differ). */
export const THRESHOLD = 0.06

/**
 * What a head finds of its track and of the neighbour it leans to: the stronger is read, the other disturbs it. Off-track, spacing and
 * azimuth losses by the published formulas; noise and the neighbour become jitter.
 * @returns null where nothing is strong enough
 */
export function viewOf(own: LaidTrack | null, neighbour: LaidTrack | null, h: HeadState): HeadView | null {
  const share = (track: LaidTrack | null, offUm: number) => track
    ? offTrack(offUm - track.radialUm, h.headUm, h.trackUm, h.pitchUm).own * h.amplitude * afterSpacing(h.spacingUm, track.wavelengthUm) * afterAzimuth(Math.min(h.headUm, h.trackUm), h.azimuthMin, track.wavelengthUm)
    : 0
  const mine = share(own, h.offUm)
  const theirs = share(neighbour, h.offUm - Math.sign(h.offUm) * h.pitchUm)
  const [track, signal, other] = mine >= theirs ? [own, mine, theirs] : [neighbour, theirs, mine]
  if (!track || signal < THRESHOLD / 2) return null
  // The neighbour's signal runs past at its own rate: to this track it is noise, of its r.m.s.
  return { track, signal, jitterCells: jitterOf(signal, Math.hypot(h.noise, other / Math.SQRT2), 2) / 2 }
}

/**
 * Pulses of the read line while the disk turns from one angle to another.
 * @param fromTurn, toTurn angles in turns, not further apart than one; @param fromS, toS times of both
 * @param out called with the time of each pulse
 */
export function readArc(view: HeadView, fromTurn: number, toTurn: number, fromS: number, toS: number, gauss: QuickGauss, noise: number, out: (t: number) => void): void {
  const { track, signal, jitterCells } = view
  const { at, cells } = track
  const start = Math.floor(fromTurn)
  const perCell = (toS - fromS) / ((toTurn - fromTurn) * cells)
  const threshold = THRESHOLD / signal
  const rough = noise / signal
  const [from, to] = [(fromTurn - start) * cells, (toTurn - start) * cells]
  const base = fromS - from * perCell
  for (let lap = 0; lap < 2; lap++) {
    const [low, high] = [from - lap * cells, to - lap * cells]
    if (high <= 0) break
    for (let i = lowerBound(at, low); i < at.length; i++) {
      const cell = at[i]!
      if (cell >= high) break
      const height = track.height[i]!
      // A peak that noise keeps below the comparator makes no pulse.
      if (height + rough * gauss.next() < threshold) continue
      out(base + (cell + lap * cells + 0.5 + track.shift[i]! + jitterCells / height * gauss.next()) * perCell)
    }
  }
}
