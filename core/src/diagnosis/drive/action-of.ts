import type { Check } from '../knowledge/types'
import type { Evidence } from './evidence'
import type { HasChecks } from './there'

/**
 * Whether something that was done changed the drive: a part that was swapped stays in, whatever came of it; a treatment
 * that changed nothing may have done nothing.
 */
export const changedBy = ({ check }: { readonly check: Check }, answer: string): boolean =>
  (answer !== 'same' && answer !== 'worse') || (check.kind === 'swap' && check.id.startsWith('swap.'))

/** The treatment or swap that a piece of evidence is the outcome of; null where it only looked at the drive. */
export function actionOf<C extends { readonly check: Check }>(e: Evidence, drive: HasChecks<C>): C | null {
  const check = drive.checks.get(e.any[0]?.[0]?.check ?? '')
  return check?.check.changes ? check : null
}
