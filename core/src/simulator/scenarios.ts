import { findMechanism, turningParts, type MechanismId, type Pulleys } from '../drives'
import type { PickupOptions } from './simulated-pickup'

export interface Scenario {
  readonly id: string
  readonly label: string
  /** Options for a mechanism and a seed. */
  readonly options: (mechanism: MechanismId, seed: number) => PickupOptions
}

/** Pulleys of the simulated belt drives. */
export const SIMULATED_PULLEYS: Pulleys = { motorPulleyMm: 9, flywheelMm: 62, centreDistanceMm: 74 }

/** Cycles per turn of the spindle of one of those drives' parts. */
const rate = (part: string) => turningParts(SIMULATED_PULLEYS).find(p => p.name === part)!.cyclesPerTurn
const BELT = rate('belt')
const MOTOR = rate('motor pulley')

function steady(mechanism: MechanismId, seed: number, percentOff: number): PickupOptions {
  const { speed, drives } = findMechanism(mechanism)
  const rpm = speed.nominal[0]!.value * (1 + percentOff / 100)
  const belt = drives[0] === 'belt'
  return {
    seed,
    rpm,
    rpmPerTrimmerTurn: speed.trimmer.value === 'none' ? 0 : rpm * 0.11,
    wanderPercent: belt ? 0.05 : 0.01,
    ripples: belt
      ? [
          { cyclesPerTurn: BELT, peakPercent: 0.16 },
          { cyclesPerTurn: MOTOR, peakPercent: 0.03 },
        ]
      : [{ cyclesPerTurn: 1, peakPercent: 0.05 }],
    jitterUs: 5,
  }
}

/** Drives that the stand-in can be: each a state a restorer meets. */
export const SCENARIOS: readonly Scenario[] = [
  { id: 'fast', label: 'Runs fast, steady', options: (m, s) => steady(m, s, 4.2) },
  { id: 'slow', label: 'Runs slow, steady', options: (m, s) => steady(m, s, -3.4) },
  { id: 'right', label: 'Runs right', options: (m, s) => steady(m, s, 0.15) },
  {
    id: 'seam',
    label: 'A seam in the belt',
    options: (m, s) => ({
      ...steady(m, s, 0.4),
      ripples: [
        { cyclesPerTurn: BELT, peakPercent: 3.2 },
        { cyclesPerTurn: MOTOR, peakPercent: 0.05 },
      ],
    }),
  },
  {
    id: 'cold',
    label: 'Cold, speed still creeping',
    options: (m, s) => ({ ...steady(m, s, 1.2), coldPercent: -3, warmUpS: 45 }),
  },
  { id: 'dead', label: 'Fast, trimmer dead', options: (m, s) => ({ ...steady(m, s, 3.1), rpmPerTrimmerTurn: 0 }) },
  {
    id: 'doubled',
    label: 'Index pulses lost and doubled',
    options: (m, s) => ({ ...steady(m, s, 0.2), missChance: 0.03, doubleChance: 0.03 }),
  },
  {
    id: 'hard',
    label: 'Hard-sectored disk, ten sectors',
    options: (m, s) => ({ ...steady(m, s, 2.3), marksPerTurn: 10, hardSectored: true }),
  },
]
