import { PROCEDURES, type DriveCase } from '../case'
import { cureOutlook, SUCCEEDS } from '../worth'
import type { StepState } from '../stations'
import type { StationId } from '../../log'

/** A step is never sure to be spared. */
const LEAST = 0.02

/** Chance that what comes behind the case is needed: where no cure holds, the drive is stripped or given back. */
export const chanceBehind = (found: DriveCase | null): number =>
  (found && cureOutlook(found, SUCCEEDS.work)?.chance) ?? 1

/** Work that is needed only where one of the functions that it sets is amiss: nothing is aligned without evidence. */
const ONLY_IF_AMISS: readonly StationId[] = ['align']

/**
 * Chance that a piece of work is needed, by what the case says of the functions that its steps set right; 1 where it
 * says nothing of them.
 */
export function chanceNeeded(station: StationId, steps: readonly StepState[], found: DriveCase | null): number {
  if (!found || found.complaints.length === 0 || !ONLY_IF_AMISS.includes(station)) return 1
  const ids = new Set(steps.map(s => s.step.id))
  const boxes = found.diagnosis.works.filter(w => PROCEDURES[w.id]?.some(id => ids.has(id)))
  if (boxes.length === 0) return 1
  return Math.max(LEAST, 1 - boxes.reduce((p, w) => p * (1 - w.broken), 1))
}
