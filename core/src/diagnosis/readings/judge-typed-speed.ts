import { findMechanism, nominalFor, speedBands, zoneSays, type MechanismId } from '../../drives'
import { trimmerOf } from '../../instruments/spindle'
import type { Call } from '../../base/observations'

/** What a typed speed is judged by. */
export interface TypedSpeedContext {
  readonly mechanism: MechanismId
  readonly nominalRpm: number | null
  readonly hasTrimmer: boolean | null
  readonly motor: 'ac' | 'dc' | null
}

/**
 * The call on a speed that a person read off something. It is weaker than a recording: of the mean alone, and it never
 * says how steady the spindle is. Where its uncertainty reaches over the edge of the wide band it decides nothing.
 * @param rpm r/min @param uncertainty half-width of the 95 % interval, r/min
 */
export function judgeTypedSpeed(rpm: number, uncertainty: number, context: TypedSpeedContext): Call {
  const mechanism = findMechanism(context.mechanism)
  const nominal = nominalFor(mechanism, rpm, context.nominalRpm)
  const { wide } = speedBands(mechanism, nominal)
  const said = `${rpm} ± ${Number(uncertainty.toPrecision(2))} r/min`
  const zone = zoneSays(mechanism, rpm)
  const how = 'A mean speed says nothing of how steady the spindle is.'
  if (!wide)
    return {
      kind: Math.abs(rpm / nominal - 1) < 0.02 ? 'leave' : 'mend',
      reasons: [`${said}, where the servo should hold ${nominal} r/min.`, how],
      next: 'Nothing to set here; go on.',
    }
  const band = `${wide.low.toFixed(1)} to ${wide.high.toFixed(1)} r/min`
  if (rpm - uncertainty >= wide.low && rpm + uncertainty <= wide.high)
    return {
      kind: 'leave',
      reasons: [`${said} is inside ${band}.`, ...(zone ? [zone] : []), how],
      next: 'Leave the trimmer alone.',
    }
  if (rpm + uncertainty >= wide.low && rpm - uncertainty <= wide.high)
    return {
      kind: 'unknown',
      reasons: [`${said} is too close to the edge of ${band} to decide.`, how],
      next: 'Measure it from a recording of the index line, or read it once more by a finer way.',
    }
  const way = rpm > nominal ? 'fast' : 'slow'
  const off = `${said} is ${(Math.abs(rpm / nominal - 1) * 100).toFixed(1)} % ${way}, outside ${band}.`
  const { motor, hasTrimmer } = context
  const trimmer = trimmerOf(mechanism, { motor: motor ?? undefined, hasTrimmer: hasTrimmer ?? undefined })
  const ifAny = trimmer === 'perhaps' ? ' Without a trimmer on this drive, it is a fault to mend.' : ''
  return trimmer !== 'no'
    ? {
        kind: 'nudge',
        reasons: [off + ifAny, how],
        next: 'Turn the trimmer an eighth of a turn, note which way, and read the speed again.',
      }
    : {
        kind: 'mend',
        reasons: [off, how],
        next: 'Look at the motor board and its supply: nothing on this drive adjusts the speed.',
      }
}
