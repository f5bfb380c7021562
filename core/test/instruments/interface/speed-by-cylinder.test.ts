import { describe, expect, it } from 'vitest'
import { reportBus, speedByCylinder, type RawTrack } from '../../../src/instruments/interface'
import { recordReading, soundDrive, type DriveSpec } from '../../../src/simulator'

const capture = (spec: DriveSpec, cylinders: readonly number[]) => {
  const { channels, durationS } = recordReading(spec, { cylinders, heads: [0], turns: 2 })
  return { fileName: 'x', format: 'vcd', durationS, channels, notices: [] } as never
}
const CYLINDERS = [0, 8, 15, 16, 31, 32, 47, 48, 63, 64, 79]
/** Speeds by zone of sixteen cylinders, as the trade has them (from memory). */
const ZONES = [394, 429, 472, 525, 590]

describe('speed against cylinder', () => {
  it('a drive that turns faster further in has one speed for each zone, and each is right', () => {
    const report = reportBus(capture(soundDrive('3.5in-eject', 2, 'zoned-80x1'), CYLINDERS))
    expect(report.speeds!.zoned).toBe(true)
    expect(report.speeds!.rows.map(r => r.cylinder)).toEqual(CYLINDERS)
    for (const { cylinder, rpm } of report.speeds!.rows)
      expect(Math.abs(rpm / ZONES[Math.floor(cylinder / 16)]! - 1), `cylinder ${cylinder}`).toBeLessThan(0.005)
    expect(report.speeds!.call.kind).toBe('leave')
    expect(report.call.kind).toBe('leave')
    expect(report.totals).toMatchObject({ bad: 0, missing: 0 })
  })
  it('the same drive in a mode of one speed has one', () => {
    const { speeds } = reportBus(capture(soundDrive('3.5in-eject', 2), [0, 40, 79]))
    expect(speeds).toMatchObject({ zoned: false, call: { kind: 'leave' } })
  })
  it('names the cylinder whose speed is another zone’s; without an index the data tell', () => {
    const track = (cylinder: number, rpm: number): RawTrack =>
      ({
        cylinder,
        head: 0,
        fromS: 0,
        toS: 1,
        index: Float64Array.from([0.1, 0.1 + 60 / rpm, 0.1 + 120 / rpm]),
        read: null,
      }) as never
    const stuck = speedByCylinder([track(0, 394), track(20, 394), track(40, 472), track(79, 590)])!
    expect(stuck.call).toMatchObject({ kind: 'mend', reasons: [expect.stringMatching(/cylinder 20 .* 429 r\/min/)] })
    const silent = (cylinder: number, rateOff: number) =>
      ({
        ...track(cylinder, 1),
        index: new Float64Array(),
        read: { format: { code: 'zoned 6-and-2' }, rateOff },
      }) as never
    const slow = speedByCylinder([silent(0, 0), silent(20, 0.002), silent(79, -0.05)])!
    expect(slow.rows.map(r => r.by)).toEqual(['data', 'data', 'data'])
    expect(slow.call.reasons[0]).toMatch(/cylinder 79/)
  })
})
