import { describe, expect, it } from 'vitest'
import { Carriage } from '../../src/simulator/drive/carriage'
import { Connector } from '../../src/simulator/drive/connector'
import { STATUS_LINES } from '../../src/instruments/interface'
import { statusOf, type Inside } from '../../src/simulator/drive/levels'
import { LineRecorder } from '../../src/simulator/drive/line-recorder'
import { QuickGauss, Random, SpindleModel, soundDrive, type DriveSpec } from '../../src/simulator'

const spec = (change: (d: DriveSpec) => Partial<DriveSpec>): DriveSpec => {
  const sound = soundDrive('5.25in-48')
  return { ...sound, ...change(sound) }
}

describe('a recorded line', () => {
  it('keeps changes only, begins idle high, and forgets without losing its level', () => {
    const line = new LineRecorder()
    line.set(1, true)
    line.set(2, true)
    line.pulse(3, 0.5)
    line.set(4, true)
    expect([...line.edges().times]).toEqual([1, 3.5, 4])
    expect(line.edges(2)).toMatchObject({ initial: 0 })
    line.forget(3.7)
    expect(line.edges(3.7)).toMatchObject({ initial: 1 })
    expect([...line.edges(3.7).times].map(t => t.toFixed(1))).toEqual(['0.3'])
  })
})

describe('the carriage', () => {
  const carriage = (change: Partial<DriveSpec['carriage']> = {}, power?: DriveSpec['power']) =>
    new Carriage(
      spec(d => ({ carriage: { ...d.carriage, startCylinder: 10, ...change }, ...(power ? { power } : {}) })),
      new Random(3),
    )
  it('swings into its detent within its settling time, past it and back', () => {
    const c = carriage({ settleMs: 15 })
    c.step(1, true, false, 40)
    expect(c.position(1)).toBeCloseTo(10, 9)
    expect(Math.abs(c.position(1.015) - 11)).toBeLessThan(0.01)
    expect(c.settling(1.01)).toBe(true)
    expect(c.settling(1.02)).toBe(false)
    const way = Array.from({ length: 100 }, (_, i) => c.position(1 + i * 1.5e-4))
    expect(Math.max(...way)).toBeGreaterThan(11.01)
  })
  it('loses steps that come too fast, on a gummed rail, and on too little voltage', () => {
    const run = (c: Carriage, everyS: number) => {
      for (let i = 0; i < 60; i++) c.step(1 + i * everyS, i % 2 === 0, false, 40)
      return c.missed
    }
    expect(run(carriage(), 0.006)).toBe(0)
    expect(run(carriage(), 0.001)).toBeGreaterThan(10)
    expect(run(carriage({ stiffFrom: 0, stiffTo: 40, stiffMissPercent: 50 }), 0.006)).toBeGreaterThan(10)
    expect(run(carriage({}, { logicV: 5, motorV: 8 }), 0.006)).toBeGreaterThan(10)
  })
  it('stops at its stop and at the innermost cylinder; lags by half its hysteresis on the side it came from', () => {
    const c = carriage({ startCylinder: 0, hysteresisUm: 40, refusesBelowZero: false })
    for (let i = 0; i < 4; i++) c.step(1 + i * 0.01, false, true, 40)
    expect(c.cylinder).toBe(-1)
    expect(c.lagUm).toBe(20)
    for (let i = 0; i < 60; i++) c.step(2 + i * 0.01, true, false, 40)
    expect(c.cylinder).toBe(40)
    expect(c.lagUm).toBe(-20)
  })
})

describe('a loose contact', () => {
  it('breaks far oftener while its own wire is moved', () => {
    const breaks = (moving: 'read-data' | 'index' | null) => {
      const c = new Connector(
        spec(() => ({ loose: { wire: 'read-data', breaksPerSecond: 30, atRestPerSecond: 0.2 } })),
        new Random(5),
      )
      c.moving = moving
      let broken = 0
      for (let t = 0; t < 20; t += 0.003) {
        c.advance(t)
        if (c.broken('read-data', t)) broken++
      }
      expect(c.broken('index', 20)).toBe(false)
      return broken
    }
    expect(breaks('read-data')).toBeGreaterThan(20 * Math.max(1, breaks(null)))
    expect(breaks('index')).toBe(breaks(null))
  })
})

describe('why a line is where it is', () => {
  const still: Inside = {
    diskSeen: true,
    diskIn: true,
    turning: true,
    ready: true,
    changed: false,
    protectedSeen: false,
    tabProtected: false,
    zeroSeen: false,
    cylinder: 7,
    indexNow: false,
    readingSignal: true,
  }
  const good = { trackZero: 'good', zeroPhase: false, index: 'good', writeProtect: 'good', diskIn: 'good' }
  it('every status line has a sentence in every state', () => {
    for (const line of STATUS_LINES) {
      for (let bits = 0; bits < 1 << 10; bits++) {
        const on = (k: number) => ((bits >> k) & 1) === 1
        const { why } = statusOf(
          line,
          {
            ...still,
            diskSeen: on(0),
            diskIn: on(1),
            turning: on(2),
            ready: on(3),
            changed: on(4),
            protectedSeen: on(5),
            tabProtected: on(6),
            zeroSeen: on(7),
            indexNow: on(8),
            readingSignal: on(9),
          },
          good,
        )
        expect(why).toMatch(/^[A-Z].*\.$/)
      }
    }
  })
  it('names sensors that are stuck or dead', () => {
    expect(statusOf('index', still, { ...good, index: 'dead' }).why).toContain('sensor is dead')
    expect(statusOf('track-0', still, { ...good, trackZero: 'covered' })).toEqual({
      low: true,
      why: 'The sensor reads as covered always; the carriage is at cylinder 7.',
    })
    expect(statusOf('track-0', { ...still, zeroSeen: true }, { ...good, trackZero: 'clear' }).low).toBe(false)
  })
})

describe('noise and motor', () => {
  it('quick deviates are normal: mean, deviation and tails', () => {
    const g = new QuickGauss(9)
    const xs = Array.from({ length: 200_000 }, () => g.next())
    const mean = xs.reduce((a, b) => a + b, 0) / xs.length
    expect(Math.abs(mean)).toBeLessThan(0.01)
    expect(Math.sqrt(xs.reduce((s, x) => s + (x - mean) ** 2, 0) / xs.length)).toBeCloseTo(1, 1)
    // One in 370 lies beyond three deviations (normal distribution).
    expect((xs.filter(x => Math.abs(x) > 3).length / xs.length) * 370).toBeCloseTo(1, 0)
  })
  it('a motor starts and runs out with its time constant, and stands still in the end', () => {
    const m = new SpindleModel({ seed: 1, rpm: 300, startS: 0.2 })
    m.advanceTo(0.2, [], () => {})
    expect(m.spinShare).toBeCloseTo(1 - Math.exp(-1), 1)
    m.advanceTo(3, [], () => {})
    expect(m.spinShare).toBe(1)
    m.setMotor(false)
    m.advanceTo(8, [], () => {})
    const turns = m.turns
    m.advanceTo(9, [], () => {})
    expect(m.turns).toBe(turns)
    expect(m.spinShare).toBe(0)
  })
})
