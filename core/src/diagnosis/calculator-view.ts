import { judgeCalculator, type Calculator, type Judged } from '../calculators/calculator'
import type { CallKind } from '../base/observations'
import type { MechanismId } from '../drives'
import { calculatorAnswers, speaksForCauses } from './case/calculator-readings'
import { readCase, type DiagnosisCase } from './case/read-case'
import { diagnose, type Diagnosis } from './diagnose'
import type { WeighOptions } from './weigh-case'

/** After everything that stands on a log. */
const NOW = 1e14

/** A case of which only the drive's type is known. */
export const plainCase = (mechanism: MechanismId): DiagnosisCase => readCase({ mechanism })

/**
 * What the fields of a calculator speak for, with everything else that is known of the drive: the engine judges, the
 * calculator only measures. Null where nothing that was typed is an answer of a check.
 */
export function calculatorView(
  calculator: string,
  typed: Readonly<Record<string, string>>,
  call: CallKind | null,
  c: DiagnosisCase,
  options: WeighOptions = {},
): Diagnosis | null {
  const answers = calculatorAnswers(calculator, typed, call)
  if (answers.length === 0) return null
  const readings = answers.map(a => ({ ...a, source: 'instrument' as const, uncertainty: null, at: NOW }))
  return diagnose({ ...c, readings: [...c.readings, ...readings] }, options)
}

/** Calculators that only measure, with what is wrong with a drive of which nothing else is known. */
const ENGINE_JUDGES: Readonly<Record<string, DiagnosisCase>> = {
  processor: readCase({ mechanism: '5.25in-serial', complaints: ['not-recognised'] }),
}
/** Whether what is typed into a calculator speaks for causes beside its own call. */
export const isView = (calculator: string): boolean => speaksForCauses(calculator) && !(calculator in ENGINE_JUDGES)

/** Causes that are listed, and their least share. */
const MOST = 6
const LEAST = 0.02

/**
 * Reads what was typed into a calculator and judges it; the call of one that only measures is the engine's.
 * @param c what else is known of the drive; its type alone where nothing is
 * @throws ParameterError with the field's key where a value cannot be read or cannot be
 */
export function judgedCalculator(
  sum: Calculator,
  typed: Readonly<Record<string, string>>,
  c: DiagnosisCase | null = null,
  options: WeighOptions = {},
): Judged {
  const judged = judgeCalculator(sum, typed)
  const alone = ENGINE_JUDGES[sum.id]
  const d = judged.result && alone ? calculatorView(sum.id, typed, null, c ?? alone, options) : null
  if (!judged.result || !d) return judged
  const { result } = judged
  const [first] = d.causes
  return {
    ...judged,
    result: {
      ...result,
      call: {
        kind: d.call,
        reasons: [...d.reasons, ...result.lines.map(l => `${l.label}: ${l.value}.`)],
        next: d.todo,
      },
      lines: d.causes
        .filter(x => x.probability >= LEAST)
        .slice(0, MOST)
        .map(x => ({
          label: x.label,
          value: Math.round(x.probability * 100),
          unit: '%',
          note: x.against[0] ? `against it: ${x.against[0]}` : '',
        })),
      observations: first
        ? [
            {
              key: `${sum.id}.suspects`,
              label: 'Stopped by',
              value: `${first.label} (${Math.round(first.probability * 100)} %)`,
              unit: '',
              how: 'weighed with everything that is known',
            },
          ]
        : result.observations,
    },
  }
}
