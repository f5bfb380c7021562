import { describe, expect, it } from 'vitest'
import { recordFinding } from '../../../src/findings'
import { walk, type Walked } from '../../../src/bench/stations'
import { NO_FEATURES } from '../../../src/drives'

const steps = (drive: Walked) =>
  walk(drive, [], Date.UTC(2026, 2, 1)).stations.flatMap(s => s.steps.map(st => st.step.id))

// Common practice, no source: what each type of drive has and has not.
describe('a drive has the steps of its own type', () => {
  it('no steps for parts that nobody said exist', () => {
    const unknown = steps({ mechanism: '5.25in-48' })
    for (const id of ['look.band', 'drive-train.screw', 'drive-train.spiral']) expect(unknown).not.toContain(id)
    const banded = steps({ mechanism: '5.25in-48', features: { ...NO_FEATURES, carriage: 'band' } })
    expect(banded).toContain('look.band')
    expect(unknown).toContain('drive-train.carriage')
    // A belt is looked for until somebody has seen that there is none: it is a matter of safety.
    expect(unknown).toContain('look.belt')
  })
  it('a drive whose stepper phases the host drives has no track-zero flag to look at', () => {
    const drive = { mechanism: '5.25in-48', features: { ...NO_FEATURES, phasesFromHost: true } } as const
    expect(steps(drive)).not.toContain('look.flag')
    expect(steps({ mechanism: '5.25in-48' })).toContain('look.flag')
  })
  it('a serial drive has a device number, no select straps, and no flag', () => {
    const serial = steps({ mechanism: '5.25in-serial' })
    expect(serial).toContain('electronics.number')
    for (const id of ['electronics.straps', 'look.flag']) expect(serial).not.toContain(id)
    expect(steps({ mechanism: '3.5in' })).toContain('electronics.straps')
  })
  it('a serial drive that spins for ever is sent to its processor, not to a cable end', () => {
    const says = (m: '5.25in-serial' | '3.5in') => recordFinding({ finding: 'power.spins' }, m).call
    expect(says('3.5in').next).toMatch(/pin 1/)
    expect(says('5.25in-serial').next).not.toMatch(/pin 1/)
    expect(says('5.25in-serial').next).toMatch(/reset and clock/)
    expect(recordFinding({ finding: 'power.stop' }, '5.25in-serial').call.reasons[0]).toMatch(/knock .* is normal/)
  })
})
