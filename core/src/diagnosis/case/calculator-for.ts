import { findCheck } from '../knowledge/knowledge'

/** Checks by the beginning of their ids, with the field of the calculator that names what is measured. */
const NAMED: readonly (readonly [start: RegExp, calculator: string, field: string])[] = [
  [/^line\.([a-z0-9-]+)(?:\.alone)?$/, 'logic', 'line'],
  [/^sensor\.([a-z0-9-]+)$/, 'sensor', 'which'],
  [/^switch\.([a-z-]+)$/, 'switch', 'place'],
]
/** Lines of which a level that does not change says something by itself. */
const STEADY: ReadonlySet<string> = new Set(['ready', 'change', 'write-protect', 'track-0', 'select', 'motor', 'index'])

/** The calculator of a check, and what the check names as measured in one of its fields. */
export interface CalculatorFor {
  readonly calculator: string
  readonly named: { readonly field: string; readonly name: string } | null
}

/**
 * The calculator that answers a check; null where there is none. It stands apart from the calculators: a page that
 * names one need not hold them all.
 */
export function calculatorFor(check: string): CalculatorFor | null {
  for (const [start, calculator, field] of NAMED) {
    const name = start.exec(check)?.[1]
    if (name) return calculator !== 'logic' || STEADY.has(name) ? { calculator, named: { field, name } } : null
  }
  const opens = findCheck(check)?.opens
  return opens?.kind === 'calculator' ? { calculator: opens.id, named: null } : null
}
