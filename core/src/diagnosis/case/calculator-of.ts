import { findCalculator } from '../../calculators/registry'
import { calculatorFor } from './calculator-for'

/** A calculator that answers a check, and what of its fields the check says already. */
export interface CalculatorOf {
  readonly calculator: string
  readonly values: Readonly<Record<string, string>>
}

/** The calculator that answers a check with its fields filled as far as the check says; null where there is none. */
export function calculatorOf(check: string): CalculatorOf | null {
  const found = calculatorFor(check)
  if (!found) return null
  const { calculator, named } = found
  if (!named) return { calculator, values: {} }
  const { field, name } = named
  if (calculator === 'logic') return { calculator, values: { [field]: name, expected: 'high' } }
  const { choices } = findCalculator(calculator).fields.find(f => f.key === field) ?? {}
  return { calculator, values: choices?.some(c => c.value === name) ? { [field]: name } : {} }
}
