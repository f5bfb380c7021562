import type { DriveFacts, LogEntry } from '../../log'
import { caseOfLog } from '../case/case-of-log'
import type { DiagnosisCase } from '../case/read-case'
import { diagnose } from '../diagnose'
import { TREATMENTS } from '../knowledge/actions'
import { BUILT_IN } from '../knowledge/knowledge'
import type { Fault, Knowledge } from '../knowledge/types'
import type { ClosedCase } from './learn'

/** A treatment that cures a fault so often proves it when it cures. */
const PROVES = 0.5

/** Whether something that cured could have cured this fault. */
function curedBy(key: string): ((f: Fault) => boolean) | null {
  const treatment = TREATMENTS.find(t => t.id === key)?.treatment
  if (treatment) return f => (f.treatments?.[treatment] ?? 0) >= PROVES
  return key.startsWith('swap.') ? f => f.part === key.slice('swap.'.length) : null
}

/** What a case looked like before it was cured: its complaints stand again. */
function before(c: DiagnosisCase, cured: readonly string[]): DiagnosisCase {
  return {
    ...c,
    complaints: cured.map(id => ({ id, at: null })),
    readings: c.readings.filter(r => !r.key.startsWith('complaint.')),
  }
}

/**
 * What a drive whose complaints are all cured turned out to have had; null while a complaint is open, or where there
 * was none. Causes that a cure which held could have cured share one whole case; others count by their probability.
 */
export function closedCase(
  drive: DriveFacts,
  log: readonly LogEntry[],
  knowledge: Knowledge = BUILT_IN,
): ClosedCase | null {
  const c = caseOfLog(drive, log)
  const cured = c.readings
    .filter(r => r.key.startsWith('complaint.') && r.value === 'cured')
    .map(r => r.key.slice('complaint.'.length))
  if (cured.length === 0 || c.complaints.length > 0) return null
  const { causes } = diagnose(before(c, cured), { knowledge })
  const cure = c.readings.findLast(r => r.value === 'cures')
  const could = cure ? curedBy(cure.key) : null
  const proved = causes.filter(x => could?.(knowledge.faults.find(f => f.id === x.fault)!))
  const sum = proved.reduce((s, x) => s + x.probability, 0)
  return {
    mechanism: drive.mechanism,
    model: drive.model,
    causes: causes.map(x => ({
      fault: x.fault,
      weight: proved.includes(x) ? x.probability / sum : x.probability,
    })),
  }
}
