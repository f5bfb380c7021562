import { describe, expect, it } from 'vitest'
import { reportBus } from '../../../src/instruments/interface'
import { recordReading, soundDrive, type DriveSpec } from '../../../src/simulator'

const report = (spec: DriveSpec, cylinders: readonly number[]) => {
  const { channels, durationS } = recordReading(spec, { cylinders, heads: [0], turns: 2 })
  return { channels, report: reportBus({ fileName: 'x', format: 'vcd', durationS, channels, notices: [] } as never) }
}

describe('drives that have no step, track-zero and index lines of their own', () => {
  it('registers behind phase lines: tracks, cylinders and the speed of each zone come out of them', () => {
    const { channels, report: r } = report(soundDrive('3.5in-eject', 2, 'zoned-80x1'), [0, 15, 16, 40, 70])
    const names = channels.map(c => c.name)
    for (const gone of ['INDEX', 'STEP', 'TRACK0']) expect(names).not.toContain(gone)
    expect(names).toEqual(expect.arrayContaining(['PHASE_0', 'STROBE', 'SENSE']))
    expect(r.hostDriven).toBe('registers')
    expect(r.path.homed).toBe(true)
    // It stood at cylinder 5 when it was switched on.
    expect(r.tracks.map(t => t.cylinder)).toEqual([0, 5, 15, 16, 40, 70])
    expect(r.naming.offset).toBe(0)
    expect(r.totals).toMatchObject({ bad: 0, missing: 0, foreign: 0 })
    for (const { cylinder, rpm, zoneRpm, by } of r.speeds!.rows) {
      // The tachometer tells it, where it was watched for two revolutions.
      if (cylinder > 0) expect(by, `cylinder ${cylinder}`).toBe('index')
      expect(Math.abs(rpm / zoneRpm - 1), `cylinder ${cylinder}`).toBeLessThan(0.01)
    }
    expect(r.call.kind).toBe('leave')
  })
  it('phases that the host drives: the knock at the stop is home, half tracks are followed', () => {
    const spec = { ...soundDrive('5.25in-48', 2, 'six-35x1x16'), wire: 'phases' as const }
    const { channels, report: r } = report(spec, [0, 1, 17, 16, 34])
    expect(channels.map(c => c.name)).toEqual(expect.arrayContaining(['PHASE_0', 'PHASE_3']))
    expect(channels.map(c => c.name)).not.toContain('INDEX')
    expect(r.hostDriven).toBe('phases')
    expect(r.path.homed).toBe(true)
    expect(r.tracks.map(t => t.cylinder)).toEqual([0, 1, 16, 17, 34])
    expect(r.naming.offset).toBe(0)
    expect(r.totals).toEqual({ good: 5 * 16, bad: 0, missing: 0, foreign: 0 })
    expect(r.call.kind).toBe('leave')
  })
})
