import { describe, expect, it } from 'vitest'
import { usualHalfWindowUm } from '../../src/calculators/alignment'
import {
  alignmentEnvelope,
  AdjustingHand,
  scopeTrace,
  SimulatedDrive,
  SOUND_ALIGNMENT,
  soundDrive,
  type Adjuster,
  type DriveSpec,
} from '../../src/simulator'

const half = usualHalfWindowUm('3.5in')
function hand(
  adjuster: Adjuster,
  part: (d: DriveSpec) => Partial<DriveSpec> = () => ({}),
  umPerUnit = half / 4,
): AdjustingHand {
  const sound = soundDrive('3.5in', 9)
  const h = new AdjustingHand(new SimulatedDrive({ ...sound, ...part(sound) }), adjuster, umPerUnit)
  h.seek(20)
  return h
}

describe('a hand at an adjuster of the simulated drive', () => {
  it('moves what it holds and nothing else', () => {
    const upper = hand('upper')
    upper.set(5)
    expect(upper.read(1).good).toBe(0)
    expect(upper.read(0)).toMatchObject({ good: 9, expected: 9 })
    const both = hand('stepper')
    both.set(-5)
    expect([both.read(0).good, both.read(1).good]).toEqual([0, 0])
  })
  it('comes back to where it was: what is undone leaves no trace but the margin’s own scatter', () => {
    const h = hand('stepper')
    const before = h.read(0).margin!
    h.set(3)
    expect(h.read(0).margin!).toBeLessThan(before - 0.1)
    h.set(0)
    expect(Math.abs(h.read(0).margin! - before)).toBeLessThan(0.02)
    expect(h.position).toBe(0)
  })
  it('the sensor moves home, by whole cylinders, and the headers say so', () => {
    const h = hand('sensor', () => ({}), 187.5)
    h.set(1)
    expect(h.read(0)).toMatchObject({ good: 0, named: 1 })
    h.set(0.2)
    expect(h.read(0)).toMatchObject({ good: 9 })
    expect(h.read(0).named).toBeUndefined()
    h.set(-1)
    expect(h.read(0).named).toBe(-1)
  })
  it('a drive that is off reads again where the hand takes it back', () => {
    const h = hand('lower', d => ({ heads: [{ ...d.heads[0], radialUm: 1.5 * half }, d.heads[1]] }))
    expect(h.read(0).good).toBe(0)
    h.set(-6)
    expect(h.read(0).good).toBe(9)
  })
})

describe('the simulated alignment disk', () => {
  const level = (offsetUm: number, turn: number) => alignmentEnvelope({ ...SOUND_ALIGNMENT, offsetUm }, turn)
  it('has lobes that are alike in the middle, and whose ratio is that of the overlaps', () => {
    expect(level(0, 0.25)).toBeCloseTo(level(0, 0.75), 9)
    expect(level(60, 0.25) / level(60, 0.75)).toBeCloseTo((330 - 240) / (330 - 120), 6)
    expect(level(-60, 0.25)).toBeCloseTo(level(60, 0.75), 9)
    expect(level(150, 0.25)).toBe(0)
  })
  // sin x / x has its first null at x = π: for 330 µm and 10 µm at 104.2 minutes of arc.
  it('has azimuth bursts that vanish at the first null of sin x ÷ x', () => {
    const null1 = ((Math.atan(10 / 330) * 180) / Math.PI) * 60
    expect(alignmentEnvelope({ ...SOUND_ALIGNMENT, pattern: 'azimuth', azimuthMin: 12 + null1 }, 0.7)).toBeLessThan(
      1e-9,
    )
    expect(alignmentEnvelope({ ...SOUND_ALIGNMENT, pattern: 'azimuth', azimuthMin: 12 }, 0.7)).toBe(1)
  })
  it('is the same by the same seed, and its index falls once a revolution', () => {
    const [a, b] = [scopeTrace(SOUND_ALIGNMENT), scopeTrace(SOUND_ALIGNMENT)]
    expect(a.signal).toEqual(b.signal)
    expect(a.signal.length).toBe(100_000)
    expect(a.index.filter(x => x === 0).length / a.index.length).toBeCloseTo(0.02, 3)
  })
})
