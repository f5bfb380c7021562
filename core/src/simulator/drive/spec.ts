import type { LineName } from '../../instruments/interface'
import { findMechanism, LAYOUTS, layoutsOf, RECORDING_GEOMETRY, SOUND_NOISE, type MechanismId } from '../../drives'
import { ParameterError } from '../../base/errors'

export interface HeadSpec {
  /** How far the head stands towards the hub from where it should, µm. */
  readonly radialUm: number
  readonly azimuthMin: number
  /** Dirt between head and disk, µm: spacing loss. */
  readonly dirtUm: number
  /** Signal of a worn or new head, share of a good one. */
  readonly amplitude: number
}

/** Something that a disk has suffered: on some cylinders of a side the head is lifted off. */
export interface Groove {
  readonly head: 0 | 1
  readonly fromCylinder: number
  readonly toCylinder: number
  readonly fromTurn: number
  readonly toTurn: number
  readonly liftUm: number
}

export interface DiskSpec {
  readonly layout: string
  /** Seed of its contents. */
  readonly content: number
  readonly writer: {
    readonly rpm: number
    readonly radialUm: readonly [number, number]
    readonly azimuthMin: number
    readonly trackUm: number
  }
  /** Signal left after its years, share of a fresh one. */
  readonly amplitude: number
  /** A disk of another density than it is written at: less signal, and wider pulses. */
  readonly wrongDensity: boolean
  /** How far its middle is off the spindle's, µm: tracks wander by so much either way in a turn. */
  readonly eccentricUm: number
  readonly grooves: readonly Groove[]
  readonly writeProtected: boolean
}

export interface DriveSpec {
  readonly mechanism: MechanismId
  readonly seed: number
  readonly spindle: {
    readonly rpm: number
    readonly rpmPerTrimmerTurn: number
    readonly beltRipplePercent: number
    readonly beltSlipPercent: number
    readonly onceAroundPercent: number
    readonly motorRipplePercent: number
    readonly wanderPercent: number
    readonly motorAge: number
    readonly startS: number
  }
  readonly carriage: {
    readonly startCylinder: number
    readonly offsetUm: number
    readonly hysteresisUm: number
    readonly settleMs: number
    readonly fastestStepMs: number
    readonly missPercent: number
    readonly stiffFrom: number
    readonly stiffTo: number
    readonly stiffMissPercent: number
    readonly refusesBelowZero: boolean
  }
  /** Where the track-zero sensor switches, cylinders inward of cylinder 0. */
  readonly sensorAt: number
  readonly heads: readonly [HeadSpec, HeadSpec]
  /** Noise of head and amplifier, r.m.s. over the full signal. */
  readonly noise: number
  /** Whether the amplifier turns its gain up where it finds nothing, until noise makes pulses. */
  readonly noisePulses: boolean
  /** How much later the amplifier passes pulses of one polarity than of the other, µs. */
  readonly asymmetryUs: number
  readonly channel: {
    /**
     * Whether a level detector lets only crossings beside large peaks through; without it the shoulders between far
     * peaks make pulses.
     */
    readonly levelDetector: boolean
    /** Whether the gain follows the signal, so that the detector's level falls with it. */
    readonly gainControl: boolean
  }
  readonly trackUm: number
  readonly pulseUm: number
  readonly write: {
    /** Write precompensation, ns: transitions that neighbours will push are written so much the other way. */
    readonly precompNs: number
    /** What the erase heads clear on either side of the track, µm; 0 is a dead erase. */
    readonly eraseUm: number
    /** Cells at either end of what was written that are spoilt as the current comes and goes. */
    readonly spliceCells: number
    /** Whether the write current is lowered on the inner cylinders of 8-inch disks; else pulses come out wide there. */
    readonly currentSwitch: 'good' | 'never lowered'
  }
  readonly disk: DiskSpec
  readonly sensors: {
    readonly trackZero: 'good' | 'covered' | 'clear' | 'weak'
    /** Whether TRACK 0 takes the sensor and the stepper phase of cylinder 0, which comes again every four. */
    readonly zeroPhase: boolean
    readonly index: 'good' | 'dead' | 'weak'
    readonly writeProtect: 'good' | 'always protected' | 'never protected'
    readonly diskIn: 'good' | 'always in' | 'never in' | 'slow'
  }
  readonly stuckLow: readonly LineName[]
  readonly stuckHigh: readonly LineName[]
  /** Status lines that are driven though the drive is not selected. */
  readonly ungated: readonly LineName[]
  /** What goes over the wire: lines of their own, stepper phases from the host, or registers behind them. */
  readonly wire: 'lines' | 'phases' | 'registers'
  readonly power: { readonly logicV: number; readonly motorV: number }
  /** A wire whose contact breaks when it is moved, and how often. */
  readonly loose: {
    readonly wire: LineName | 'none'
    readonly breaksPerSecond: number
    readonly atRestPerSecond: number
  }
}

/** Share of a track's width that is erased on either side of it (from memory). */
const ERASED = 0.15

const SOUND: HeadSpec = { radialUm: 0, azimuthMin: 0, dirtUm: 0, amplitude: 1 }

/**
 * A sound drive of a class with a good disk in it; its speed is that of the disk's layout.
 * @throws ParameterError for a class without cylinders to step over
 */
export function soundDrive(mechanism: MechanismId, seed = 1, layout?: string): DriveSpec {
  const name = layout ?? layoutsOf(mechanism)[0]
  const geometry = RECORDING_GEOMETRY[mechanism]
  if (name === undefined || !geometry)
    throw new ParameterError(
      `a ${findMechanism(mechanism).label} drive has no cylinders to step over`,
      'a drive type with a stepper',
      { field: 'mechanism' },
    )
  const { rpm } = LAYOUTS[name]!
  const belt = findMechanism(mechanism).drives[0] === 'belt'
  return {
    mechanism,
    seed,
    spindle: {
      rpm,
      rpmPerTrimmerTurn: findMechanism(mechanism).speed.trimmer.value === 'none' ? 0 : rpm * 0.11,
      beltRipplePercent: belt ? 0.15 : 0,
      beltSlipPercent: 0,
      onceAroundPercent: belt ? 0.1 : 0.05,
      motorRipplePercent: belt ? 0.03 : 0,
      wanderPercent: belt ? 0.05 : 0.01,
      motorAge: 0,
      startS: belt ? 0.12 : 0.08,
    },
    carriage: {
      startCylinder: 5,
      offsetUm: 0,
      hysteresisUm: 0,
      settleMs: 15,
      fastestStepMs: mechanism === '8in' || mechanism === '5.25in-48' ? 5 : 2.5,
      missPercent: 0,
      stiffFrom: 0,
      stiffTo: 0,
      stiffMissPercent: 0,
      refusesBelowZero: true,
    },
    sensorAt: 0.5,
    heads: [SOUND, SOUND],
    noise: SOUND_NOISE.value,
    noisePulses: false,
    asymmetryUs: 0,
    channel: { levelDetector: true, gainControl: false },
    trackUm: geometry.trackUm.value,
    pulseUm: geometry.pulseUm.value,
    write: { precompNs: 0, eraseUm: geometry.trackUm.value * ERASED, spliceCells: 6, currentSwitch: 'good' },
    disk: {
      layout: name,
      content: 1,
      writer: { rpm, radialUm: [0, 0], azimuthMin: 0, trackUm: geometry.trackUm.value },
      amplitude: 1,
      wrongDensity: false,
      eccentricUm: 8,
      grooves: [],
      writeProtected: false,
    },
    sensors: { trackZero: 'good', zeroPhase: false, index: 'good', writeProtect: 'good', diskIn: 'good' },
    stuckLow: [],
    stuckHigh: [],
    ungated: [],
    wire: LAYOUTS[name]!.rpmOf ? 'registers' : 'lines',
    power: { logicV: 5, motorV: 12 },
    loose: { wire: 'none', breaksPerSecond: 0, atRestPerSecond: 0 },
  }
}
