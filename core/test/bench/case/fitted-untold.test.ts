import { describe, expect, it } from 'vitest'
import { driveCase, fittedUntold, wantedBy } from '../../../src/bench/case'
import { readingEntry } from '../../../src/bench/entries'
import type { LogEntry } from '../../../src/log'
import { driveFacts, entry, withData } from '../../log'

const drive = driveFacts({ mechanism: '3.5in' })
let n = 0
const read = (key: string, value: string): LogEntry =>
  entry({ ...readingEntry({ id: `r${++n}`, at: '2026-03-01T10:00:00Z', remark: '', key, value }, drive) })
const fit = (part: string) =>
  withData('part-used', {
    type: 'part-fitted',
    part,
    from: { kind: 'spare', id: 's', name: 'bag 3' },
    known: 'tested',
    measures: {},
  })

describe('a part that was fitted while something is complained of', () => {
  it('is asked for first: what came of it', () => {
    const log = [read('complaint.no-spin', 'seen'), fit('motor')]
    expect(fittedUntold(log)).toEqual({ check: 'swap.spindle-motor', label: 'Spindle motor' })
    const found = driveCase(drive, log, { gates: [] })
    expect(wantedBy(found)!.title).toContain('spindle motor')
    expect(wantedBy(driveCase(drive, [log[0]!], { gates: [] }))!.title).not.toContain('with the other spindle motor')
  })
  it('is asked for no more once somebody said it, by the part or by the complaint', () => {
    const log = [read('complaint.no-spin', 'seen'), fit('motor')]
    expect(fittedUntold([...log, read('swap.spindle-motor', 'same')])).toBeNull()
    expect(fittedUntold([...log, read('complaint.no-spin', 'cured')])).toBeNull()
    expect(fittedUntold([...log, read('complaint.no-spin', 'cured'), fit('motor')])).not.toBeNull()
  })
  it('asks nothing of what no check tells, or where nobody complains', () => {
    expect(fittedUntold([fit('screws')])).toBeNull()
    expect(driveCase(drive, [fit('motor')], { gates: [] }).fitted).toBeNull()
  })
})
