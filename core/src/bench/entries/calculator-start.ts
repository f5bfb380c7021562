import { findCalculator } from '../../calculators/registry'
import { keysOf } from '../../calculators/calculator'
import type { MechanismId } from '../../drives'
import { findingsAmong } from '../../findings'
import { fieldsFrom, readingsAmong } from '../../diagnosis'
import { standingEntries, type LogEntry } from '../../log'

/** What changes a drive, so that a value which was measured before it may not hold any more. */
function changes(e: LogEntry, fitted: ReadonlySet<string>): boolean {
  if (e.kind === 'part-used' || e.data?.type === 'sweep') return true
  if (e.data?.type === 'step') return /^(?:clean|drive-train)\./.test(e.data.step)
  return fitted.has(e.id)
}

/**
 * What a calculator opens with at a drive: the values that were kept last, unless the drive was changed since; else
 * what readings, the standing findings and the drive's type say of its fields.
 * @throws ParameterError where there is no such calculator
 */
export function calculatorStart(
  id: string,
  mechanism: MechanismId | null,
  log: readonly LogEntry[],
): Record<string, string> {
  const calculator = findCalculator(id)
  const standing = standingEntries(log)
  const findings = findingsAmong(standing)
  const kept = standing.findLast(e => e.data?.type === 'sum' && e.data.instrument === id)
  const fitted = new Set(findings.filter(f => f.finding.fitted).map(f => f.entry.id))
  const stale = kept && standing.some(e => e.seq > kept.seq && changes(e, fitted))
  if (kept?.data?.type === 'sum' && !stale) return { ...kept.data.values }
  const { filledBy = {}, mechanismField } = calculator
  const read = fieldsFrom(id, readingsAmong(standing))
  const said = Object.assign(read, ...findings.map(f => filledBy[f.finding.id] ?? {})) as Record<string, string>
  const keys = new Set(keysOf(calculator))
  const typed = calculator.fields.find(f => f.key === mechanismField)
  if (mechanism && typed?.choices?.some(c => c.value === mechanism)) said[typed.key] = mechanism
  return Object.fromEntries(Object.entries(said).filter(([k]) => keys.has(k)))
}
