import { TREATMENTS } from '../knowledge/actions'
import { findCheck } from '../knowledge/knowledge'
import type { Fault } from '../knowledge/types'

/** A treatment that cures a fault so often is its cure. */
const CURES = 0.5

/** The check by which the outcome of a fault’s cure is told: a treatment that cures it, else a swap of its part. */
export function cureCheck(fault: Pick<Fault, 'part' | 'treatments'>): string | null {
  const chance = (treatment: string) => fault.treatments?.[treatment] ?? 0
  const best = TREATMENTS.reduce((a, b) => (chance(b.treatment) > chance(a.treatment) ? b : a))
  if (chance(best.treatment) >= CURES) return best.id
  const swap = `swap.${fault.part}`
  return findCheck(swap) ? swap : null
}
