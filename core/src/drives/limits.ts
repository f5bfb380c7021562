import { commonPractice, fromMemory, sourced, type Sourced } from './provenance'
import type { MechanismId } from './types'

/** How far off an adjustment may be, by class. */
export interface AlignmentLimits {
  /** Radial offset of a head from the middle of its track. */
  readonly radialUm: Sourced
  readonly azimuthMin: Sourced
  /** Burst after index, and how far off it may be. */
  readonly indexUs: Sourced
  readonly indexWithinUs: Sourced
  /** Between both sides of approach. */
  readonly hysteresisUm: Sourced
  /** How the head is pressed on, in words. */
  readonly headLoad: Sourced<string>
}

const of = (
  radial: number,
  azimuth: number,
  index: number,
  within: number,
  hysteresis: number,
  load: string,
): AlignmentLimits => ({
  radialUm: sourced(radial, 'µm', fromMemory),
  azimuthMin: sourced(azimuth, '′', fromMemory),
  indexUs: sourced(index, 'µs', fromMemory),
  indexWithinUs: sourced(within, 'µs', fromMemory),
  hysteresisUm: sourced(hysteresis, 'µm', fromMemory),
  headLoad: sourced(load, '', commonPractice),
})

const PAD =
  'One head: a felt pad presses the disk onto it. Felt that is hard or worn lowers and unsteadies the signal; renew it before anything is aligned.'
const GIMBAL =
  'Two heads: the upper one on a gimbal holds the disk against the lower one. It should be square to the disk and come down softly; a bent arm lifts one edge, and reads like azimuth.'

/** All from memory, of the usual size; a drive’s own sheet goes before them. Quick disks have no tracks to align, cartridges follow by servo. */
export const ALIGNMENT_LIMITS: Readonly<Partial<Record<MechanismId, AlignmentLimits>>> = {
  '8in': of(45, 18, 200, 100, 20, GIMBAL),
  '5.25in-48': of(45, 18, 200, 200, 20, `${PAD} ${GIMBAL}`),
  '5.25in-96': of(22, 18, 200, 200, 12, GIMBAL),
  '5.25in-serial': of(45, 20, 200, 200, 20, PAD),
  '3.5in': of(15, 30, 0, 400, 9, GIMBAL),
  '3.5in-eject': of(15, 30, 0, 400, 9, GIMBAL),
  '3in': of(20, 25, 200, 300, 12, PAD),
}
