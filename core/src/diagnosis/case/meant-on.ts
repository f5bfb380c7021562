import type { Answer } from '../drive/evidence'
import type { HasChecks } from '../drive/there'
import type { Complaint } from '../knowledge/types'

/** Less likely than this where nothing is at fault, an answer is what is complained of. */
const UNUSUAL = 0.5

/**
 * What a complaint means on a drive: of its alternatives those whose fault can be seen there at all, without the
 * answers of checks that the drive has not.
 */
export const meantOn = (complaint: Complaint, drive: HasChecks): (readonly Answer[])[] =>
  complaint.means
    .map(all => all.filter(a => drive.checks.has(a.check)))
    .filter(all => all.some(a => (drive.checks.get(a.check)!.check.base[a.answer] ?? 0) < UNUSUAL))
