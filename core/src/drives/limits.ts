import { commonPractice, fromMemory, sourced, type Sourced } from './provenance'

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

/** Limits of the usual size, from memory; a drive’s own sheet goes before them. */
export const limitsOf = (
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

export const PAD =
  'One head: a felt pad presses the disk onto it. Felt that is hard or worn lowers and unsteadies the signal; renew it before anything is aligned.'
export const GIMBAL =
  'Two heads: the upper one on a gimbal holds the disk against the lower one. It should be square to the disk and come down softly; a bent arm lifts one edge, and reads like azimuth.'
