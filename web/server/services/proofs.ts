import { ParameterError } from '@wobrin/core/errors'
import { errorBound } from '@wobrin/core/numbers'
import type { LogEntry, Observation } from '@wobrin/core/observations'
import { checksOf, CONFIDENCE, findProofTest, judgeWriteTest } from '@wobrin/core/proving'
import type { ProofInput } from '../../shared/proof'
import type { WriteTestInput } from '../../shared/write-test'
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
    if (errors > sectors)
      throw new ParameterError(`${errors} of ${sectors} sectors cannot have failed`, 'no more than were tried', {
        field: 'errors',
      })
    if (id === 'interchange' && !reader)
      throw new ParameterError('the drive that read it is left out', 'a trusted drive of the workshop', {
        field: 'reader',
      })
    if (reader === drive.id)
      throw new ParameterError('a drive that reads its own writing proves nothing of others', 'another drive', {
        field: 'reader',
      })
    const by = reader ? this.drives.get(reader).tag : null
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
    return this.drives.append({
      id: input.id,
      driveId,
      at: input.at,
      kind: 'measurement',
      station: 'prove',
      title: `${test.title}: ${errors} of ${sectors} sectors failed`,
      detail: remark,
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
              next: 'Once more with another disk, heads clean, before anything is condemned.',
            },
      data: { type: 'proof', test: id, sectors, errors, reader },
      takesBack: null,
    })
  }

  /** A write test as a host told it; what it shows is judged here. @throws ParameterError where more came back than was written, or nothing was tried */
  keepWriteTest(driveId: string, { id, at, remark, result }: WriteTestInput): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(id, drive.id)
    if (sent) return sent
    const counts = {
      'format, lower head': result.format[0],
      'format, upper head': result.format[1],
      'first cylinder': result.first,
      'last cylinder': result.last,
      'pattern, lower head': result.pattern[0],
      'pattern, upper head': result.pattern[1],
      'overwrite, lower head': result.overwrite[0],
      'overwrite, upper head': result.overwrite[1],
    }
    for (const [name, c] of Object.entries(counts))
      if (c && c.good > c.sectors)
        throw new ParameterError(
          `${name}: ${c.good} of ${c.sectors} sectors cannot have come back`,
          'no more than were written',
          { field: 'result' },
        )
    const { call, observations, checks } = judgeWriteTest(drive.mechanism, result)
    if (checks.every(c => c.state === 'open'))
      throw new ParameterError('nothing was tried', `at least one of ${checksOf(drive.mechanism).length} checks`, {
        field: 'result',
      })
    return this.drives.append({
      id,
      driveId,
      at,
      kind: 'measurement',
      station: 'prove',
      title: `Write test: ${checks.filter(c => c.state === 'passed').length} of ${checks.length} checks passed`,
      detail: remark,
      call,
      observations,
      data: { type: 'write-test', result },
      takesBack: null,
    })
  }
}
