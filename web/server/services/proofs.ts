import { ParameterError } from '@wobrin/core/errors'
import { errorBound } from '@wobrin/core/numbers'
import type { LogEntry, Observation } from '@wobrin/core/observations'
import { CONFIDENCE, findProofTest } from '@wobrin/core/proving'
import type { ProofInput } from '../../shared/proof'
import type { DriveService } from './drives'

/** Counted tests on the log; what their counts allow is worked out here. */
export class ProofService {
  constructor(private readonly drives: DriveService) {}

  /** @throws ParameterError where more failed than were tried, or a drive is said to have read its own writing for another */
  keep(driveId: string, input: ProofInput): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const { test: id, sectors, errors, reader, remark } = input
    const test = findProofTest(id)!
    if (errors > sectors) throw new ParameterError(`${errors} of ${sectors} sectors cannot have failed`, 'no more than were tried', { field: 'errors' })
    if (id === 'interchange' && !reader) throw new ParameterError('the drive that read it is left out', 'a trusted drive of the workshop', { field: 'reader' })
    if (reader === drive.id) throw new ParameterError('a drive that reads its own writing proves nothing of others', 'another drive', { field: 'reader' })
    const by = reader ? this.drives.get(reader).tag : null
    const bound = errorBound(errors, sectors, CONFIDENCE)
    const observations: Observation[] = [
      { key: `proof.${id}`, label: `${test.title}: sectors that failed`, value: errors, unit: '', how: `of ${sectors}${by ? `, read in ${by}` : ''}` },
      { key: `proof.${id}.bound`, label: 'At most', value: Number((bound * 100).toPrecision(2)), unit: '% fail', how: '95 % sure, Clopper and Pearson' },
    ]
    return this.drives.append({
      id: input.id, driveId, at: input.at, kind: 'measurement', station: 'prove', title: `${test.title}: ${errors} of ${sectors} sectors failed`, detail: remark, observations,
      call: errors === 0
        ? { kind: 'leave', reasons: [`${sectors} sectors${by ? ` read in ${by}` : ''} without an error.`], next: 'Go on to the next test.' }
        : { kind: 'unknown', reasons: [`${errors} of ${sectors} sectors failed${by ? ` in ${by}` : ''}.`], next: 'Once more with another disk, heads clean, before anything is condemned.' },
      data: { type: 'proof', test: id, sectors, errors, reader }, takesBack: null,
    })
  }
}
