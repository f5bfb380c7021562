import { describe, expect, it } from 'vitest'
import { driveCase, fittedUntold, wantedBy } from '../../../src/bench/case'
import { driveFacts, withData } from '../../log'
import { readOn } from '../../read-on'

const drive = driveFacts({ mechanism: '3.5in' })
const read = (key: string, value: string) => readOn(drive, key, value)
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
