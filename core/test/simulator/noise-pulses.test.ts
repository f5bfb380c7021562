import { describe, expect, it } from 'vitest'
import { judgeSurface, toReadings } from '../../src/instruments/interface'
import { hasNoRhythm } from '../../src/signals/separator'
import {
  DRIVE_STORIES,
  readSurface,
  SimulatedDrive,
  SimulatedHost,
  soundDrive,
  wholeSurface,
} from '../../src/simulator'

describe('pulse asymmetry', () => {
  it('what the amplifier does to one polarity is measured from any track, and a sound one has none', () => {
    for (const asymmetryUs of [0, 0.3, 0.6]) {
      const drive = new SimulatedDrive({ ...soundDrive('3.5in', 4), asymmetryUs })
      const host = new SimulatedHost(drive)
      host.start()
      host.home()
      const { read } = host.read(0, 2)
      // A half cell of MFM at 250 kbit/s lasts 2 µs.
      expect(Math.abs(read!.asymmetry * 2 - asymmetryUs)).toBeLessThan(0.12)
    }
  })
})

describe('a dead head before an amplifier that turns its gain up', () => {
  const drive = new SimulatedDrive(DRIVE_STORIES.find(s => s.id === 'dead-upper')!.of('3.5in', 7))
  const run = readSurface(drive, { ...wholeSurface(drive, 1), cylinders: [0, 20, 40, 60, 79] })
  const tracks = (() => {
    for (;;) {
      const step = run.next()
      if (step.done) return step.value
    }
  })()
  it('gives pulses that have no rhythm, and no sector', () => {
    const upper = tracks.filter(t => t.head === 1)
    expect(upper).toHaveLength(5)
    for (const t of upper) {
      expect(t.transitions).toBeGreaterThan(2000)
      expect(hasNoRhythm(t.sample)).toBe(true)
      expect(t.read?.sectors.filter(s => s.status === 'good') ?? []).toEqual([])
    }
    for (const t of tracks.filter(x => x.head === 0)) expect(hasNoRhythm(t.sample)).toBe(false)
  })
  it('is called noise, and sent to another disk and the coil, not to cleaning', () => {
    const { call } = judgeSurface(toReadings(tracks), { trustedDisk: true })
    expect(call.reasons.join(' ')).toMatch(/upper head gives pulses without the rhythm/)
    expect(call.next).toMatch(/another disk.*coil/)
    expect(call.next).not.toMatch(/[Cc]lean/)
  })
})
