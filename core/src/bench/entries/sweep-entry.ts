import { ParameterError } from '../../base/errors'
import { evidenceBy, lowerFirst, type Evidence } from '../../base/observations'
import { sweepOnLog } from '../../instruments/alignment'
import type { DriveFacts, LogEntry, NewEntry, SweepEntryData } from '../../log'
import { alignOrder, beforeSweep } from '../stations'
import { BY_HOST, measured, type Sent } from './measured'

export interface SweepEntryInput extends Sent {
  readonly sweep: SweepEntryData
  /** Whether the positions were read on the simulated drive. */
  readonly simulated: boolean
}

/**
 * An adjuster sweep as a log entry. The estimate is worked out here; what the order of work has to say stands beside
 * it.
 * @throws ParameterError where a count cannot be, or cleaning or speed is still to be done
 */
export function sweepEntry(
  input: SweepEntryInput,
  drive: DriveFacts,
  log: readonly LogEntry[],
  trusts: (disk: string) => boolean | null,
): NewEntry {
  const { sweep, simulated, remark } = input
  const { stops, says } = beforeSweep(alignOrder(drive, log, trusts), sweep.adjuster)
  if (stops.length)
    throw new ParameterError(
      `before a sweep: ${lowerFirst(stops[0]!).replace(/\.$/, '')}`,
      'clean heads and the right speed first; the sweep is still on the page',
      { field: 'order' },
    )
  const { title, call, observations } = sweepOnLog(sweep, drive.mechanism)
  return measured(drive, input, {
    station: 'align',
    title,
    detail: [remark, ...says].filter(Boolean).join(' '),
    call,
    observations,
    evidence: simulated ? evidenceBy('simulated') : evidenceOf(sweep),
    data: sweep,
  })
}

/** One source for all of a sweep: a count is weaker than a recording, and one count makes the whole as weak. */
function evidenceOf({ rows }: SweepEntryData): Evidence {
  const sources = rows
    .filter(r => !r.struck)
    .map(r => r.source ?? (r.lower.margin === undefined ? 'host' : 'recording'))
  if (sources.includes('simulated')) return evidenceBy('simulated')
  if (sources.every(s => s === 'recording')) return evidenceBy('recording', 'Adjuster sweep')
  // A board at the interface counts as well as a recording does, and keeps none.
  return sources.every(s => s === 'recording' || s === 'instrument')
    ? evidenceBy('instrument', 'Board at the interface')
    : BY_HOST
}
