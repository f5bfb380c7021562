import { UNNAMED_INPUT } from '../../calculators/electronics'
import { findMechanism, nominalFor, speedBands, type MechanismId } from '../../drives'
import type { Check } from '../knowledge/types'
import type { Answer } from './evidence'

/** A value that was read, by its key. */
export interface ReadValue {
  readonly key: string
  readonly value: number | string | boolean
  readonly unit?: string
  readonly uncertainty?: number | null
}

/** Current through a freed detector that is enough with the light on it, mA (common practice). */
const DETECTOR_MA = 0.2
/** Difference between lit and shaded that logic can tell, V; less than half a volt is none (common practice). */
const TOLD = 2
const NONE = 0.5

/** What a speed says: right, slow or fast; where its uncertainty reaches over an edge, either. */
export function speedAnswers(mechanism: MechanismId, rpm: number, uncertainty: number): string[] {
  if (rpm < 5) return ['none']
  const found = findMechanism(mechanism)
  const nominal = nominalFor(found, rpm)
  const { wide } = speedBands(found, nominal)
  const [low, high] = wide ? [wide.low, wide.high] : [nominal * 0.99, nominal * 1.01]
  const out: string[] = []
  if (rpm - uncertainty < low) out.push('slow')
  if (rpm + uncertainty >= low && rpm - uncertainty <= high) out.push('right')
  if (rpm + uncertainty > high) out.push('fast')
  return out
}

/** The bands of a check that a number, with its uncertainty, may lie in. */
export function bandAnswers(bands: NonNullable<Check['bands']>, value: number, uncertainty: number): string[] {
  const at = (x: number) => bands.findIndex(b => x < b.below)
  const [from, to] = [at(value - uncertainty), at(value + uncertainty)]
  return bands.slice(from, to + 1).map(b => b.answer)
}

/** How well a sensor tells light from shade, by volts in circuit or by the current of a detector that was freed. */
export function sensorAnswer(lit: ReadValue, shaded: ReadValue | undefined): string | null {
  const value = Number(lit.value)
  if (lit.unit === 'mA' || lit.unit === 'µA') {
    const mA = lit.unit === 'mA' ? value : value / 1000
    return mA >= DETECTOR_MA ? 'good' : mA >= DETECTOR_MA / 5 ? 'weak' : 'same'
  }
  if (!shaded) return null
  const difference = Math.abs(value - Number(shaded.value))
  return difference >= TOLD ? 'good' : difference >= NONE ? 'weak' : 'same'
}

/** Keys whose words mean an answer of another check. */
export const WORDS_AS: Readonly<Record<string, Readonly<Record<string, Answer>>>> = {
  'host.boots': {
    'at once': { check: 'see.steady', answer: 'always' },
    'after some tries': { check: 'see.steady', answer: 'now and then' },
    never: { check: 'see.steady', answer: 'never' },
  },
}

/** Of how many disks tried how many read. */
export const shareAnswer = (tried: number, read: number): string =>
  read <= 0 ? 'none' : read >= tried ? 'all' : 'some'

/**
 * What a line may do by two levels that a meter showed: while it should be active, so low, and while it should not.
 * A line that rests high may be held there, or nothing may pull it. Empty where both levels are sure and exchanged:
 * then it is another line, or another strap, and not its driver.
 */
export function lineAnswers(active: number, idle: number): string[] {
  const between = (v: number) => v > UNNAMED_INPUT.low && v < UNNAMED_INPUT.high
  if (between(active) || between(idle)) return ['between']
  const [low, high] = [active <= UNNAMED_INPUT.low, idle >= UNNAMED_INPUT.high]
  if (low === high) return low ? ['right'] : []
  return low ? ['stuck low'] : ['still', 'stuck high']
}
