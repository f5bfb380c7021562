import { ParameterError } from '../../base/errors'
import { complaintsOn } from '../../diagnosis'
import type { DriveFacts, NewEntry } from '../../log'
import { composeEntry } from './compose-entry'
import { readingEntry } from './reading-entry'

/** What is said of a drive when it comes in, beside its facts. */
export interface SaidOnArrival {
  /** Complaints by their ids. */
  readonly complaints: readonly string[]
  /** Findings by their ids: who was inside, whether it ran lately, how it was kept. */
  readonly found: readonly string[]
}

/**
 * Complaints and findings of the reception as log entries: what is said once is asked nowhere again.
 * @param newId makes an id for each entry; passed in because core has no randomness
 * @throws ParameterError for a complaint that a drive of this type cannot have, or an unknown finding
 */
export function receptionEntries(drive: DriveFacts, said: SaidOnArrival, newId: () => string): NewEntry[] {
  const known = new Set(complaintsOn(drive.mechanism).map(c => c.id))
  const at = drive.receivedAt
  const strange = said.complaints.find(id => !known.has(id))
  if (strange !== undefined)
    throw new ParameterError(`this drive type has no complaint “${strange}”`, 'one of its list', {
      field: 'complaints',
    })
  const complaints = [...new Set(said.complaints)].map(id =>
    readingEntry({ id: newId(), at, remark: '', key: `complaint.${id}`, value: 'seen', source: 'said' }, drive),
  )
  const found = [...new Set(said.found)].map(finding =>
    composeEntry(
      { id: newId(), at, kind: 'finding', station: 'receive', title: '', detail: '', finding: { finding } },
      drive,
      () => [],
      () => {
        throw new ParameterError('a finding on arrival has no photo', 'none', { field: 'found' })
      },
    ),
  )
  return [...complaints, ...found]
}
