import { fromMemory, sourced, type Sourced } from './provenance'
import type { MechanismId } from './types'

/** What decides how well a head reads a track that it stands beside. */
export interface RecordingGeometry {
  /** Width of a track as written, and of the head that reads it. */
  readonly trackUm: Sourced
  /** Width of an isolated pulse at half its height, along the track. */
  readonly pulseUm: Sourced
}

const of = (trackUm: number, pulseUm: number): RecordingGeometry => ({ trackUm: sourced(trackUm, 'µm', fromMemory), pulseUm: sourced(pulseUm, 'µm', fromMemory) })

/** By class; all from memory, of the usual size. A cartridge drive follows its tracks by servo and is left out. */
export const RECORDING_GEOMETRY: Readonly<Partial<Record<MechanismId, RecordingGeometry>>> = {
  '8in': of(330, 4.2), '5.25in-48': of(330, 4.6), '5.25in-96': of(155, 2.9), '5.25in-serial': of(330, 4.6),
  '3.5in': of(115, 3.1), '3.5in-eject': of(115, 3.1), '3in': of(150, 4.4), 'quick-disk': of(250, 5),
}
