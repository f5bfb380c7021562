import { ParameterError } from '../../base/errors'
import { errorBound } from '../../base/numbers'
import type { Observation } from '../../base/observations'
import type { DriveFacts, NewEntry } from '../../log'
import { CONFIDENCE, findProofTest, type ProofTestId } from '../../proof'
import { BY_HOST, measured, type Sent } from './measured'

export interface ProofEntryInput extends Sent {
  readonly test: ProofTestId
  readonly sectors: number
  readonly errors: number
  /** Id of the drive that read it, where it was another one. */
  readonly reader: string | null
}

/**
 * A test whose sectors were counted by a host's program, as a log entry; what the counts allow is worked out here.
 * @param tagOf tag of a drive of the workshop; throws where there is none
 * @throws ParameterError where more failed than were tried, or a drive is said to have read its own writing for another
 */
export function proofEntry(input: ProofEntryInput, drive: DriveFacts, tagOf: (id: string) => string): NewEntry {
  const { test: id, sectors, errors, reader } = input
  const test = findProofTest(id)!
  if (errors > sectors)
    throw new ParameterError(`${errors} of ${sectors} sectors cannot have failed`, 'no more than were tried', {
      field: 'errors',
    })
  if (id === 'interchange' && !reader)
    throw new ParameterError('the drive that read it is left out', 'a verified drive of the workshop', {
      field: 'reader',
    })
  if (reader === drive.id)
    throw new ParameterError('a drive that reads its own writing says nothing of others', 'another drive', {
      field: 'reader',
    })
  const by = reader ? tagOf(reader) : null
  const bound = errorBound(errors, sectors, CONFIDENCE)
  const observations: Observation[] = [
    {
      key: `proof.${id}`,
      label: `${test.title}: sectors that failed`,
      value: errors,
      unit: '',
      how: `of ${sectors}${by ? `, read in ${by}` : ''}`,
    },
    {
      key: `proof.${id}.bound`,
      label: 'At most',
      value: Number((bound * 100).toPrecision(2)),
      unit: '% fail',
      how: '95 % sure, Clopper and Pearson',
    },
  ]
  return measured(drive, input, {
    station: 'prove',
    title: `${test.title}: ${errors} of ${sectors} sectors failed`,
    observations,
    call:
      errors === 0
        ? {
            kind: 'leave',
            reasons: [`${sectors} sectors${by ? ` read in ${by}` : ''} without an error.`],
            next: 'Go on to the next test.',
          }
        : {
            kind: 'unknown',
            reasons: [`${errors} of ${sectors} sectors failed${by ? ` in ${by}` : ''}.`],
            next: 'Once more with another disk, heads clean, before a part is blamed.',
          },
    evidence: BY_HOST,
    data: { type: 'proof', test: id, sectors, errors, reader },
  })
}
