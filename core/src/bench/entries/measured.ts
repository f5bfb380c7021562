import { evidenceBy, type Call, type Evidence, type Observation } from '../../base/observations'
import type { DriveFacts, EntryData, NewEntry, StationId } from '../../log'

/** What every entry that measures has from whoever sends it. */
export interface Sent {
  /** Made by the client, so that sending twice adds once. */
  readonly id: string
  /** ISO 8601, UTC. */
  readonly at: string
  readonly remark: string
}

/** What a host’s own program told: counts that a person typed from it. */
export const BY_HOST = evidenceBy('host', 'the host’s own program')

/** What was measured, and what it says. */
export interface MeasuredPart {
  readonly station: StationId
  readonly title: string
  readonly detail?: string
  readonly call: Call | null
  readonly observations: readonly Observation[]
  readonly evidence: Evidence
  readonly data: EntryData
}

/**
 * A measurement as a log entry. Whatever is measured on a simulated drive is of a simulated drive, by whichever way it
 * came in.
 */
export function measured(
  drive: Pick<DriveFacts, 'id' | 'simulated'>,
  { id, at, remark }: Sent,
  { detail = remark, evidence, ...part }: MeasuredPart,
): NewEntry {
  return {
    id,
    driveId: drive.id,
    at,
    kind: 'measurement',
    detail,
    evidence: drive.simulated ? { ...evidence, source: 'simulated' } : evidence,
    takesBack: null,
    ...part,
  }
}
