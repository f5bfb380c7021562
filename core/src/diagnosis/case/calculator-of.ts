import { findCalculator } from '../../calculators/registry'
import { findCheck } from '../knowledge/knowledge'

/** A calculator that answers a check, and what of its fields the check says already. */
export interface CalculatorOf {
  readonly calculator: string
  readonly values: Readonly<Record<string, string>>
}

/** Checks by the beginning of their ids, with the field of the calculator that names what is measured. */
const NAMED: readonly (readonly [start: RegExp, calculator: string, field: string])[] = [
  [/^line\.([a-z0-9-]+)(?:\.alone)?$/, 'logic', 'line'],
  [/^sensor\.([a-z0-9-]+)$/, 'sensor', 'which'],
  [/^switch\.([a-z-]+)$/, 'switch', 'place'],
]
/** Lines of which a level that does not change says something by itself. */
const STEADY: ReadonlySet<string> = new Set(['ready', 'change', 'write-protect', 'track-0', 'select', 'motor', 'index'])

/** The calculator that answers a check with its fields filled as far as the check says; null where there is none. */
export function calculatorOf(check: string): CalculatorOf | null {
  for (const [start, calculator, field] of NAMED) {
    const name = start.exec(check)?.[1]
    if (!name) continue
    if (calculator !== 'logic') {
      const known = findCalculator(calculator)
        .fields.find(f => f.key === field)
        ?.choices?.some(c => c.value === name)
      return { calculator, values: known ? { [field]: name } : {} }
    }
    return STEADY.has(name) ? { calculator, values: { [field]: name, expected: 'high' } } : null
  }
  const opens = findCheck(check)?.opens
  return opens?.kind === 'calculator' ? { calculator: opens.id, values: {} } : null
}
