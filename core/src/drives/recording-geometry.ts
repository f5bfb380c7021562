import { fromMemory, sourced } from './provenance'
import { byMechanism, findMechanism } from './catalogue'
import { LAYOUTS } from './layouts'
import type { MechanismId } from './types'

/**
 * Noise of a sound head and amplifier, r.m.s. after the differentiator over the full signal of the densest pattern: in
 * MFM it moves transitions by 0.06 to 0.07 of a cell, some 0.13 µs at double density.
 */
export const SOUND_NOISE = sourced(0.14, '', fromMemory)

/** By class; a cartridge drive follows its tracks by servo and is left out. */
export const RECORDING_GEOMETRY = byMechanism(m => m.recording ?? undefined)

/** Radius and pitch that are reckoned with where a class has none on record: a quick disk's spiral (a guess). */
const UNKNOWN = { radiusMm: 30, pitchMm: 0.25 }

/** Distance from one track to the next, µm. */
export const pitchUm = (mechanism: MechanismId): number =>
  (findMechanism(mechanism).geometry.pitchMm?.value ?? UNKNOWN.pitchMm) * 1000

/** Width of an isolated pulse on the media of a layout, share of the class's usual one. */
export function pulseShare(mechanism: MechanismId, layout: string): number {
  const geometry = RECORDING_GEOMETRY[mechanism]
  const own = geometry?.pulseOn?.[layout]
  return own && geometry ? own.value / geometry.pulseUm.value : (LAYOUTS[layout]?.pulseShare ?? 1)
}

/** Radius of a cylinder under a head, mm from the spindle's axis. */
export function radiusMm(mechanism: MechanismId, cylinder: number, head: 0 | 1): number {
  const { track0LowerMm, track0UpperMm } = findMechanism(mechanism).geometry
  const outer = (head ? track0UpperMm : track0LowerMm) ?? track0LowerMm
  return (outer?.value ?? UNKNOWN.radiusMm) - (cylinder * pitchUm(mechanism)) / 1000
}
