import { ParameterError } from '../../base/errors'
import type { CountedSectors, DriveFacts, NewEntry, WriteTestResult } from '../../log'
import { checksOf, judgeWriteTest } from '../../proof'
import { BY_HOST, measured, type Sent } from './measured'

export interface WriteTestEntryInput extends Sent {
  readonly result: WriteTestResult
}

/** Each count of a write test under the name that a person knows it by. */
const countsOf = (r: WriteTestResult): Readonly<Record<string, CountedSectors | null>> => ({
  'format, lower head': r.format[0],
  'format, upper head': r.format[1],
  'first cylinder': r.first,
  'last cylinder': r.last,
  'pattern, lower head': r.pattern[0],
  'pattern, upper head': r.pattern[1],
  'overwrite, lower head': r.overwrite[0],
  'overwrite, upper head': r.overwrite[1],
})

/**
 * A write test as a host told it, as a log entry; what it shows is judged here.
 * @throws ParameterError where more came back than was written, or nothing was tried
 */
export function writeTestEntry(input: WriteTestEntryInput, drive: DriveFacts): NewEntry {
  const { result } = input
  for (const [name, c] of Object.entries(countsOf(result)))
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
  return measured(drive, input, {
    station: 'prove',
    title: `Write test: ${checks.filter(c => c.state === 'passed').length} of ${checks.length} checks passed`,
    call,
    observations,
    evidence: BY_HOST,
    data: { type: 'write-test', result },
  })
}
