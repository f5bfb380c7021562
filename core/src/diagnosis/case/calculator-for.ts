import { findCheck } from '../knowledge/knowledge'

/** Checks by the beginning of their ids, with the field of the calculator that names what is measured. */
export const NAMED: readonly (readonly [start: RegExp, calculator: string, field: string])[] = [
  [/^line\.([a-z0-9-]+)(?:\.alone)?$/, 'logic', 'line'],
  [/^sensor\.([a-z0-9-]+)$/, 'sensor', 'which'],
  [/^switch\.([a-z-]+)$/, 'switch', 'place'],
]
/** Lines of which a level that does not change says something by itself. */
const STEADY: ReadonlySet<string> = new Set(['ready', 'change', 'write-protect', 'track-0', 'select', 'motor', 'index'])

/**
 * The id of the calculator that answers a check; null where there is none. It stands apart from the calculators: a
 * page that names one need not hold them all.
 */
export function calculatorFor(check: string): string | null {
  for (const [start, calculator] of NAMED) {
    const name = start.exec(check)?.[1]
    if (name) return calculator !== 'logic' || STEADY.has(name) ? calculator : null
  }
  const opens = findCheck(check)?.opens
  return opens?.kind === 'calculator' ? opens.id : null
}
