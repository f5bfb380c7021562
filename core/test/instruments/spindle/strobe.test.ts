import { describe, expect, it } from 'vitest'
import { rpmFromCreep, speedTone, toneBand, strobeBars, strobeDiscSvg } from '../../../src/instruments/spindle'

describe('strobe bars', () => {
  // The turntable handbook's figures (from memory): 180 and 216 bars for 33 1/3, 160 for 45, 92 for 78.26 r/min.
  it.each([
    [100 / 3, 50, 180],
    [100 / 3, 60, 216],
    [45, 60, 160],
    [78.26, 60, 92],
    [300, 50, 20],
    [300, 60, 24],
    [360, 60, 20],
  ])('%f r/min at %i Hz: %i bars', (rpm, hz, bars) => {
    expect(strobeBars(rpm, hz)).toMatchObject({ bars, fits: true })
  })

  it('says when none fits, with the nearest and its error', () => {
    const found = strobeBars(45, 50)
    expect(found).toMatchObject({ bars: 133, fits: false })
    expect(found.stillRpm).toBeCloseTo(45.11, 2)
    expect(found.errorPercent).toBeCloseTo(0.25, 2)
    expect(strobeBars(360, 50)).toMatchObject({ bars: 17, fits: false })
    expect(() => strobeBars(0, 50)).toThrow('speed is 0; expected a number above 0.')
  })
})

describe('speed from creeping bars', () => {
  it('one bar a second on twenty is three r/min', () => {
    const taps = [0, 1, 2, 3, 4]
    expect(rpmFromCreep(20, 50, taps, 'forward')).toEqual({ rpm: 303, uncertainty: 0, barsPerSecond: 1 })
    expect(rpmFromCreep(20, 50, taps, 'backward').rpm).toBe(297)
  })

  it('agrees with a simulated lamp: positions of the nearest bar at each flash', () => {
    const rpm = 301.7
    const bars = 24
    const perFlash = (rpm / 60 / 120) * bars
    const creepPerSecond = (perFlash - Math.round(perFlash)) * 120
    const taps = Array.from({ length: 8 }, (_, k) => k / creepPerSecond)
    expect(rpmFromCreep(bars, 60, taps, 'forward').rpm).toBeCloseTo(rpm, 6)
  })

  it('gives its uncertainty from uneven taps and refuses too few', () => {
    expect(rpmFromCreep(20, 50, [0, 1.1, 1.9, 3.05, 4], 'forward').uncertainty!).toBeGreaterThan(0.05)
    expect(() => rpmFromCreep(20, 50, [0], 'forward')).toThrow(
      'taps: 1 tap; expected at least two, one as each bar passes.',
    )
    expect(() => rpmFromCreep(20, 50, [1, 1], 'forward')).toThrow('times that increase')
  })
})

describe('strobe disc', () => {
  const disc = {
    diameterMm: 100,
    holeMm: 28,
    rings: [
      { rpm: 300, mainsHz: 50 },
      { rpm: 300, mainsHz: 60 },
    ],
  }

  it('is drawn in millimetres with as many bars as it says', () => {
    const svg = strobeDiscSvg(disc)
    expect(svg).toMatch(/^<svg [^>]*width="126mm" height="[\d.]+mm" viewBox="-63 -58 126 /)
    const rings = svg.match(/<path d="M[^"A]*A[^"]*"/g)!
    expect(rings.map(r => r.match(/Z/g)!.length)).toEqual([20, 24])
    expect(svg).toContain('outer ring: 20 bars stand still at 300 r/min, 50 Hz')
    expect(svg).toContain('h50M')
    const radii = [...rings[0].matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(m => Math.hypot(Number(m[1]), Number(m[2])))
    expect(Math.max(...radii)).toBeCloseTo(49.5, 2)
  })

  it('refuses what cannot be printed', () => {
    expect(() => strobeDiscSvg({ ...disc, diameterMm: 10 })).toThrow('a disc of 10 mm; expected 20 to 280 mm')
    expect(() => strobeDiscSvg({ ...disc, holeMm: 95 })).toThrow('0 to 90 mm')
    expect(() => strobeDiscSvg({ ...disc, holeMm: 88 })).toThrow('at least 3 mm')
    expect(() => strobeDiscSvg({ ...disc, diameterMm: 30, holeMm: 8, rings: [{ rpm: 33.333, mainsHz: 60 }] })).toThrow(
      'bars at least 0.3 mm wide',
    )
  })
})

describe('tone', () => {
  it('is steady within half the narrow band, or within two in a thousand where there is none', () => {
    expect(toneBand({ narrow: { low: 298.5, high: 301.5 }, nominalRpm: 300 } as never)).toBeCloseTo(1.5, 9)
    expect(toneBand({ narrow: null, nominalRpm: 2941 } as never)).toBeCloseTo(5.882, 3)
  })

  it('is a steady middle A when right, lower and beating when slow, higher when fast', () => {
    expect(speedTone(300.5, 300, 1.5)).toEqual({ hz: expect.closeTo(448.55, 1), beatsPerSecond: 0 })
    const slow = speedTone(290, 300, 1.5)
    const fast = speedTone(310, 300, 1.5)
    expect(slow.hz).toBeLessThan(440)
    expect(fast.hz * slow.hz).toBeCloseTo(440 ** 2, 3)
    expect(fast.beatsPerSecond).toBeGreaterThan(speedTone(303, 300, 1.5).beatsPerSecond)
    expect(speedTone(303, 300, 1.5, 0.03).hz).toBeGreaterThan(speedTone(303, 300, 1.5, 0.12).hz)
    expect(speedTone(900, 300, 1.5).hz).toBeLessThan(1300)
  })
})
