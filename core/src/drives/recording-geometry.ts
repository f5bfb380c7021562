import { fromMemory, sourced, type Sourced } from './provenance'
import { findMechanism } from './catalogue'
import type { MechanismId } from './types'

/** What decides how well a head reads a track that it stands beside. */
export interface RecordingGeometry {
  /** Width of a track as written, and of the head that reads it. */
  readonly trackUm: Sourced
  /** Width of an isolated pulse at half its height, along the track. */
  readonly pulseUm: Sourced
}

const of = (trackUm: number, pulseUm: number): RecordingGeometry => ({
  trackUm: sourced(trackUm, 'µm', fromMemory),
  pulseUm: sourced(pulseUm, 'µm', fromMemory),
})

/** Noise of a sound head and amplifier, r.m.s. over the full signal. */
export const SOUND_NOISE = sourced(0.065, '', fromMemory)

/** By class; all from memory, of the usual size. A cartridge drive follows its tracks by servo and is left out. */
export const RECORDING_GEOMETRY: Readonly<Partial<Record<MechanismId, RecordingGeometry>>> = {
  '8in': of(330, 4.2),
  '5.25in-48': of(330, 4.6),
  '5.25in-96': of(155, 2.9),
  '5.25in-serial': of(330, 4.6),
  '3.5in': of(115, 3.1),
  '3.5in-eject': of(115, 3.1),
  '3in': of(150, 4.4),
  'quick-disk': of(250, 5),
}

/** Radii and pitch that are reckoned with where a class has none on record (from memory). */
const UNKNOWN = { radiusMm: 40, pitchMm: 0.25 }

/** Distance from one track to the next, µm. */
export const pitchUm = (mechanism: MechanismId): number =>
  (findMechanism(mechanism).geometry.pitchMm?.value ?? UNKNOWN.pitchMm) * 1000

/** Radius of a cylinder under a head, mm from the spindle's axis. */
export function radiusMm(mechanism: MechanismId, cylinder: number, head: 0 | 1): number {
  const { track0LowerMm, track0UpperMm } = findMechanism(mechanism).geometry
  const outer = (head ? track0UpperMm : track0LowerMm) ?? track0LowerMm
  return (outer?.value ?? UNKNOWN.radiusMm) - (cylinder * pitchUm(mechanism)) / 1000
}
