import { turningParts } from '../../drives'
import { SIMULATED_PULLEYS } from '../scenarios'
import type { SpindleModelOptions } from '../spindle-model'
import type { DriveSpec } from './spec'

/** Volts at which the motor's regulator no longer holds the speed (from memory). */
const REGULATES_FROM = 10.5

/** The spindle of a drive: belt, motor and supply as what they do to its speed. */
export function spindleOptions(spec: DriveSpec): SpindleModelOptions {
  const { spindle, power } = spec
  const rate = (part: string) => turningParts(SIMULATED_PULLEYS).find(p => p.name === part)!.cyclesPerTurn
  const supply = Math.min(1, power.motorV / REGULATES_FROM)
  return {
    seed: spec.seed,
    rpm: spindle.rpm * (1 - spindle.beltSlipPercent / 100) * supply,
    rpmPerTrimmerTurn: spindle.rpmPerTrimmerTurn,
    wanderPercent: spindle.wanderPercent + 0.3 * spindle.motorAge,
    // A belt that slips takes longer to bring the disk up, and so does a worn motor (shares from memory).
    startS: (spindle.startS * (1 + spindle.beltSlipPercent / 2 + 3 * spindle.motorAge)) / supply,
    ripples: [
      { cyclesPerTurn: rate('belt'), peakPercent: spindle.beltRipplePercent },
      { cyclesPerTurn: 1, peakPercent: spindle.onceAroundPercent },
      { cyclesPerTurn: rate('motor pulley'), peakPercent: spindle.motorRipplePercent + 0.8 * spindle.motorAge },
    ].filter(r => r.peakPercent > 0),
  }
}
