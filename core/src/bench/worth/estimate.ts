import { findCheck } from '../../diagnosis'
import { findPart } from '../../parts'
import { standingEntries, type EntryData, type LogEntry } from '../../log'
import { findStep } from '../stations'

/** Minutes of hands of what no list has minutes for (from memory). */
const USUAL: Partial<Record<EntryData['type'], number>> = {
  'as-found': 1,
  finding: 1.5,
  'host-fit': 5,
  photo: 1,
  proof: 10,
  'put-back': 2,
  'read-test': 8,
  'cross-read': 8,
  speed: 4,
  sum: 3,
  sweep: 20,
  undone: 1.5,
  'write-test': 10,
}

function minutesOf({ data }: LogEntry): number {
  switch (data?.type) {
    case 'step':
      return findStep(data.step)?.step.hands ?? 0
    case 'reading':
      // What was said over the telephone, or read off a plate, took no time at the bench.
      return findCheck(data.key)?.minutes ?? 1
    case 'part-fitted':
    case 'part-used':
      return findPart(data.part)?.minutes ?? 15
    default:
      return (data && USUAL[data.type]) ?? 0
  }
}

/** Minutes of hands that what stands on a log was expected to take, by the lists of steps, checks and parts. */
export const expectedMinutes = (log: readonly LogEntry[]): number =>
  standingEntries(log).reduce((sum, e) => sum + minutesOf(e), 0)
