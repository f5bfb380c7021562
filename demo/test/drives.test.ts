import { describe, expect, it } from 'vitest'
import { MECHANISM_IDS, MECHANISMS } from '@wobrin/core/drives'
import { STATION_IDS } from '@wobrin/core/log'
import { SimulatedPickup } from '@wobrin/core/simulator'
import { speedFromPulses } from '@wobrin/core/instruments/spindle'
import { DEMO_DRIVES } from '../src/drives'

describe('the invented workshop', () => {
  it('has about a dozen drives over all nine classes, each with a tag of its own', () => {
    expect(DEMO_DRIVES.length).toBeGreaterThanOrEqual(12)
    expect(new Set(DEMO_DRIVES.map(d => d.drive.mechanism))).toEqual(new Set(MECHANISM_IDS))
    expect(new Set(DEMO_DRIVES.map(d => d.drive.tag)).size).toBe(DEMO_DRIVES.length)
  })

  it('has one released, one parted out and one quarantined cartridge drive', () => {
    const left = DEMO_DRIVES.filter(d => d.outcome).map(d => [d.drive.mechanism, d.outcome!.how])
    expect(left).toEqual(
      expect.arrayContaining([
        ['5.25in-96', 'released'],
        ['5.25in-48', 'parts'],
        ['cartridge', 'quarantined'],
      ]),
    )
  })

  it('stands at many stations, and measures only drives that have come as far as Speed', () => {
    expect(new Set(DEMO_DRIVES.map(d => d.at)).size).toBeGreaterThanOrEqual(7)
    for (const d of DEMO_DRIVES.filter(x => x.readings)) {
      expect(STATION_IDS.indexOf(d.at)).toBeGreaterThanOrEqual(STATION_IDS.indexOf('speed'))
      expect(d.spindle).toBeDefined()
    }
  })

  it('turns its spindles within a fifth of what their class should do, and every kind of finding comes up', () => {
    const calls = new Set<string>()
    for (const { drive, spindle, readings } of DEMO_DRIVES) {
      if (!spindle || !readings) continue
      const nominal = MECHANISMS.find(m => m.id === drive.mechanism)!.speed.nominal.map(n => n.value)
      expect(Math.min(...nominal.map(n => Math.abs(spindle.rpm / n - 1)))).toBeLessThan(0.2)
      const pickup = new SimulatedPickup({ ...spindle, seed: Number(drive.tag.slice(-2)) })
      pickup.advanceTo(readings[0]!.seconds)
      const { verdict } = speedFromPulses(
        pickup.pulses(),
        { pulleys: drive.pulleys ?? undefined },
        {
          mechanism: drive.mechanism,
          school: 'leave-alone',
          nominalRpm: drive.nominalRpm ?? undefined,
          hasTrimmer: drive.hasTrimmer ?? undefined,
          motor: drive.motor ?? undefined,
        },
      )
      calls.add(verdict.kind)
    }
    expect(calls).toEqual(new Set(['leave', 'nudge', 'mend', 'unknown']))
  })
})
