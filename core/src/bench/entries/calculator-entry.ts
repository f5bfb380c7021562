import { ParameterError } from '../../base/errors'
import { evidenceBy, formatObservation } from '../../base/observations'
import { findCalculator } from '../../calculators/registry'
import { keysOf } from '../../calculators/calculator'
import { judgedCalculator, type DiagnosisCase } from '../../diagnosis'
import type { DriveFacts, NewEntry } from '../../log'
import { measured, type Sent } from './measured'

export interface CalculatorInput extends Sent {
  /** Id of the calculator. */
  readonly instrument: string
  readonly values: Readonly<Record<string, string>>
}

/**
 * A calculator's answer as a log entry, worked out here from what was typed: an answer is never taken from outside.
 * @param known what else is known of the drive
 * @throws ParameterError where something is left out or cannot be
 */
export function calculatorEntry(
  input: CalculatorInput,
  drive: Pick<DriveFacts, 'id' | 'simulated'>,
  known: DiagnosisCase | null = null,
): NewEntry {
  const calculator = findCalculator(input.instrument)
  const values = Object.fromEntries(
    keysOf(calculator).flatMap(k => (input.values[k]?.trim() ? [[k, input.values[k].trim()]] : [])),
  )
  const { result, needed } = judgedCalculator(calculator, values, known)
  if (!result)
    throw new ParameterError(
      `${needed.join(', ')} ${needed.length === 1 ? 'is' : 'are'} left out`,
      'all that the calculator needs',
      { field: calculator.fields.find(f => f.label === needed[0])?.key ?? calculator.list?.key },
    )
  const [main] = result.observations
  const answers = calculator.answers?.[result.call.kind]
  return measured(drive, input, {
    station: calculator.station,
    title: main ? `${main.label}: ${formatObservation(main)}` : `${calculator.title}: ${result.call.reasons[0]}`,
    call: result.call,
    observations: result.observations,
    evidence: evidenceBy('instrument', calculator.title),
    data: { type: 'sum', instrument: calculator.id, values, ...(answers ? { finding: answers } : {}) },
  })
}
