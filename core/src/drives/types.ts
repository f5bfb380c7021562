import type { FeatureRange, FeatureTag } from './feature-range'
import type { Frame } from './frame'
import type { Front } from './front'
import type { AlignmentLimits } from './limits'
import type { Sourced } from './provenance'
import type { RecordingGeometry } from './recording'

export const MECHANISM_IDS = [
  '8in',
  '5.25in-48',
  '5.25in-96',
  '5.25in-serial',
  '3.5in',
  '3.5in-eject',
  '3in',
  'quick-disk',
  'cartridge',
] as const

export type MechanismId = (typeof MECHANISM_IDS)[number]

/** How the spindle is turned. */
export type SpindleDrive = 'belt' | 'direct' | 'servo'

/** What can be turned to change the spindle speed. */
export type TrimmerPresence = 'usual' | 'some' | 'rare' | 'none'

/** A speed and the cylinders that are read at it, both ends inside. */
export interface SpeedZone {
  readonly rpm: number
  readonly from: number
  readonly to: number
}

/** Everything the Speed instrument judges against. Bands are half-widths about the nominal speed, in % or r/min. */
export interface SpeedLimits {
  /** Nominal speeds in r/min, the usual one first. */
  readonly nominal: readonly Sourced[]
  /** Speeds that belong to some cylinders only, in a mode with a speed for each zone; left out where there is none. */
  readonly zones?: readonly SpeedZone[]
  /** Where to aim; null where a servo sets the speed. */
  readonly narrow: Sourced | null
  /** Inside it, leave alone; null where a servo sets the speed. */
  readonly wide: Sourced | null
  /** Largest speed deviation within a turn or at a part's own rate, zero to peak, in %. */
  readonly variation: Sourced
  readonly trimmer: Sourced<TrimmerPresence>
  /** What to know before touching it, one or two sentences. */
  readonly trimmerNote: string
}

/** Where the tracks lie. Radii are of track 0, in mm from the spindle axis. */
export interface Geometry {
  readonly cylinders: Sourced
  readonly heads: Sourced<string>
  readonly pitchMm: Sourced | null
  readonly track0LowerMm: Sourced | null
  readonly track0UpperMm: Sourced | null
}

/** A recording format this mechanism is commonly used with. */
export interface RecordingFormat {
  readonly label: string
  readonly code: 'FM' | 'MFM' | 'group code'
  /** Shortest spacing of flux transitions, as transitions per second. */
  readonly fluxPerSecond: Sourced
  readonly rpm: number
  /** Published flux transitions per radian at the highest density, where a standard's title states it. */
  readonly fluxPerRadian: Sourced | null
}

/** Parts that not every class has. */
export type OwnPart = 'carriage' | 'index' | 'zero' | 'pin' | 'arm'

/** A class of drives, with all that is particular to it. */
export interface Mechanism {
  readonly id: MechanismId
  readonly label: string
  /** What is special about this class, for a person choosing it. */
  readonly special: string
  readonly drives: readonly SpindleDrive[]
  readonly speed: SpeedLimits
  readonly geometry: Geometry
  readonly formats: readonly RecordingFormat[]
  /** Where a once-per-turn pulse can be had. */
  readonly pickup: string
  /** Family of disks that its drives take. */
  readonly family: string
  /** What its drives can have. */
  readonly features: FeatureRange
  /** What all of them have. */
  readonly tags: readonly FeatureTag[]
  readonly frame: Frame
  readonly front: Front
  /** Names of the layouts that it is usually used with, the usual one first; empty without tracks to step over. */
  readonly layouts: readonly string[]
  /** Track and pulse; null where a servo follows the tracks. */
  readonly recording: RecordingGeometry | null
  /** How far off its adjustments may be; null where nothing can be adjusted. */
  readonly alignment: AlignmentLimits | null
  /**
   * What a disk is whose notch, hole or tab is covered, so that a switch there is pressed and a light there is stopped;
   * null where the disk has no such place.
   */
  readonly protectCovered: Sourced<'protected' | 'writable'> | null
  /** Parts that it has beside those of every drive. */
  readonly parts: readonly OwnPart[]
  /** How often one comes back to work, before anything was found, 0 to 1. */
  readonly chance: Sourced
}
