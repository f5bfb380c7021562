import { ParameterError } from '../base/errors'

/** What is known of a belt-driven spindle. Diameters are those on which the belt runs. */
export interface Pulleys {
  readonly motorPulleyMm: number
  readonly flywheelMm: number
  /** Length of the belt as fitted; or give the centre distance and it is computed. */
  readonly beltLengthMm?: number
  readonly centreDistanceMm?: number
}

/**
 * Exact length of an open belt round two pulleys, in the unit of its arguments.
 * Two straight runs and two arcs: 2 C cos a + pi (D + d) / 2 + a (D - d), with sin a = (D - d) / 2C.
 * @throws ParameterError where the pulleys would overlap or a size is not positive
 */
export function openBeltLength(centreDistance: number, large: number, small: number): number {
  if (!(small > 0 && large > 0 && centreDistance > 0)) {
    throw new ParameterError('a diameter or the centre distance is not a positive number', 'sizes in mm above 0', {
      field: 'pulleys',
    })
  }
  if (centreDistance < (large + small) / 2) {
    throw new ParameterError(
      `pulleys of ${large} and ${small} mm overlap at a centre distance of ${centreDistance} mm`,
      `at least ${(large + small) / 2} mm`,
      { field: 'centreDistanceMm' },
    )
  }
  const a = Math.asin((large - small) / (2 * centreDistance))
  return 2 * centreDistance * Math.cos(a) + (Math.PI * (large + small)) / 2 + a * (large - small)
}

/** A part that turns with the spindle, and how often per turn of it. */
export interface TurningPart {
  readonly name: string
  readonly cyclesPerTurn: number
}

/** The parts of a belt drive with their rates, spindle first, without slip. */
export function turningParts(pulleys: Pulleys | undefined): TurningPart[] {
  const parts: TurningPart[] = [
    { name: 'spindle, once a revolution', cyclesPerTurn: 1 },
    { name: 'spindle, twice a revolution', cyclesPerTurn: 2 },
  ]
  if (!pulleys) return parts
  const { motorPulleyMm, flywheelMm } = pulleys
  parts.push({ name: 'motor pulley', cyclesPerTurn: flywheelMm / motorPulleyMm })
  const length =
    pulleys.beltLengthMm ??
    (pulleys.centreDistanceMm
      ? openBeltLength(
          pulleys.centreDistanceMm,
          Math.max(flywheelMm, motorPulleyMm),
          Math.min(flywheelMm, motorPulleyMm),
        )
      : undefined)
  if (length) {
    const belt = (Math.PI * flywheelMm) / length
    parts.push({ name: 'belt', cyclesPerTurn: belt }, { name: 'belt, twice a pass', cyclesPerTurn: 2 * belt })
  }
  return parts
}
