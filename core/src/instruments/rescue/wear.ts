import { median, upperTail } from '../../base/numbers'
import type { Attempt } from './attempt'
import type { RescuedSector } from './merge-attempts'

/** What the margins did from the first attempt of a drive to its last. */
export interface Wear {
  /** Files that were compared. */
  readonly from: string
  readonly to: string
  /** Sectors read without error in both. */
  readonly sectors: number
  /** Of these, how many had less margin later. */
  readonly fell: number
  /** Middle change of the timing margin, share of the half window; negative where it fell. */
  readonly change: number
}

/** The chance, under no change at all, below which a fall is taken as one. */
const SURE = 0.001
/** A smaller fall is a matter of temperature and of how the disk sits (from memory). */
const WORTH_A_WORD = 0.03
const FEWEST = 12

/**
 * Whether the disk reads worse from attempt to attempt: the margins of the sectors that both attempts read, by the sign
 * test. Only attempts of one drive with its heads in one place are compared.
 * @returns null where nothing says so
 */
export function wearOf(attempts: readonly Attempt[], sectors: readonly RescuedSector[]): Wear | null {
  for (let last = attempts.length - 1; last > 0; last--) {
    const first = attempts.findIndex(a => comparable(a, attempts[last]!))
    if (first >= last) continue
    const changes = sectors.flatMap(s => {
      const [before, after] = [s.byAttempt[first]!.margin, s.byAttempt[last]!.margin]
      return before === null || after === null || before === after ? [] : [after - before]
    })
    if (changes.length < FEWEST) continue
    const fell = changes.filter(c => c < 0).length
    const change = median(changes)
    if (change < -WORTH_A_WORD && upperTail(fell, changes.length, 0.5) < SURE)
      return { from: attempts[first]!.file, to: attempts[last]!.file, sectors: changes.length, fell, change }
  }
  return null
}

const comparable = (a: Attempt, b: Attempt) =>
  a.drive === b.drive && a.position === b.position && (a.slower ?? false) === (b.slower ?? false)
