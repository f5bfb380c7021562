import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Random } from '../../../src/simulator'
import {
  azimuthByLoss,
  azimuthOf,
  azimuthSpread,
  azimuthCalculator,
  indexBurstCalculator,
  lobeOffset,
  lobeReach,
  lobesCalculator,
  tabCalculator,
  tripsSooner,
} from '../../../src/calculators/alignment'
import { afterAzimuth, offTrack } from '../../../src/signals/head'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const sum = (s: Calculator, values: Record<string, string>) => judgeCalculator(s, values).result!
const line = (s: Calculator, values: Record<string, string>, label: string) =>
  sum(s, values).lines.find(l => l.label === label)!

describe('lobes of an alignment track', () => {
  // Against the overlap that the loss formula of the read engine works out for each lobe by itself.
  it('give back the offset that made them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 20, max: 120 }), (offset, eccentric) => {
        const head = 330
        const reach = lobeReach(head, head, eccentric)
        if (offset >= reach - 1 || offset > eccentric) return
        const [near, far] = [
          offTrack(eccentric - offset, head, head, 1e6).own,
          offTrack(eccentric + offset, head, head, 1e6).own,
        ]
        expect(lobeOffset(far / near, reach)).toBeCloseTo(offset, 6)
      }),
    )
  })
  it('alike: leave it; beyond the limit: nudge it, and which way', () => {
    const sizes = { head: '0.33', eccentric: '0.1', limit: '0.04' }
    expect(sum(lobesCalculator, { first: '1.2', second: '1.2', ...sizes }).call.kind).toBe('leave')
    const off = { first: '1.2', second: '0.7', outer: 'first', ...sizes }
    expect(sum(lobesCalculator, off).call).toMatchObject({
      kind: 'nudge',
      reasons: [expect.stringMatching(/stands 60\.5 µm off.* more than the 40 µm allowed/)],
    })
    expect(line(lobesCalculator, off, 'Radial offset').note).toBe('towards the edge')
    expect(line(lobesCalculator, off, 'Least ratio allowed').value).toBeCloseTo(70.4, 1)
    expect(sum(lobesCalculator, { first: '1', second: '1', head: '0.33', eccentric: '0.1' }).call.kind).toBe('unknown')
    expect(line(lobesCalculator, { ...off, otherSide: '80' }, 'Hysteresis, at least').value).toBeCloseTo(35, 0)
    // The ratio of 80 % the same way round, and the other way round: 25.6 µm on either side of the middle.
    const other = (otherFirst: string, otherSecond: string) =>
      line(lobesCalculator, { ...off, otherFirst, otherSecond }, 'Hysteresis').value
    expect(other('1', '0.8')).toBeCloseTo(25.56 - 60.53, 1)
    expect(other('0.8', '1')).toBeCloseTo(-25.56 - 60.53, 1)
  })
  /** What a head finds of a band beside it, by counting strips of 0.1 µm: no formula of ours. */
  const strips = (headAt: number, head: number, bandAt: number, band: number) => {
    let n = 0
    for (let x = -600; x < 600; x += 0.1) if (Math.abs(x - headAt) < head / 2 && Math.abs(x - bandAt) < band / 2) n++
    return n
  }
  it.each([
    [330, 330, 100, 60],
    [330, 330, 100, 95],
    [300, 330, 90, 40],
    [330, 280, 100, 50],
  ])('head %i, band %i, eccentricity %i: %i µm is found from what strips give', (head, band, eccentric, offset) => {
    const [first, second] = [strips(offset, head, eccentric, band), strips(offset, head, -eccentric, band)]
    const mm = (um: number) => String(um / 1000)
    const values = {
      first: String(first),
      second: String(second),
      head: mm(head),
      band: mm(band),
      eccentric: mm(eccentric),
    }
    expect(line(lobesCalculator, values, 'Radial offset').value).toBeCloseTo(offset, 0)
  })
  it('further out than the eccentricity it says how far at least, and no more', () => {
    const [first, second] = [strips(140, 330, 100, 330), strips(140, 330, -100, 330)]
    const beyond = { first: String(first), second: String(second), head: '0.33', eccentric: '0.1', limit: '0.04' }
    const { call } = sum(lobesCalculator, beyond)
    expect(call).toMatchObject({ kind: 'unknown', reasons: [expect.stringMatching(/at least 100 µm/)] })
    expect(line(lobesCalculator, beyond, 'Radial offset, at least').value).toBeCloseTo(100, 6)
  })
  it('a pattern that does not run to and fro shows nothing', () => {
    const sizesOf: Record<string, string>[] = [{ eccentric: '0' }, { eccentric: '0.05', band: '0.5' }]
    for (const sizes of sizesOf)
      expect(() => sum(lobesCalculator, { first: '1', second: '0.7', head: '0.33', ...sizes })).toThrow(
        /no lobes|differ by more than the eccentricity/,
      )
  })
  it('what cannot be is refused', () => {
    expect(() => sum(lobesCalculator, { first: '0', second: '0', head: '0.33', eccentric: '0.1' })).toThrow(
      /both lobes are nothing/,
    )
    expect(() => sum(lobesCalculator, { first: '1', second: '1', head: '0.1', eccentric: '0.2' })).toThrow(
      /stands further out than the head reaches/,
    )
  })
})

describe('azimuth bursts', () => {
  // The amplitudes come from the published loss sin x / x.
  it('give back the angle of the head within a tenth of a minute', () => {
    for (const own of [-10, -4, 0, 3, 12]) {
      const bursts = [-12, -9, 9, 12].map(angle => ({ angle, amplitude: afterAzimuth(330, angle - own, 12) }))
      expect(azimuthOf(bursts)).toBeCloseTo(own, 0)
      expect(Math.abs(azimuthOf(bursts)! - own)).toBeLessThan(0.35)
    }
    expect(azimuthOf([{ angle: 0, amplitude: 1 }])).toBeNull()
  })
  // Monte Carlo: amplitudes by the published loss, each misread by 2 %; the ± must hold 95 % of the answers.
  it('the uncertainty is what misreading the amplitudes makes of the angle', () => {
    const random = new Random(5)
    const track = { widthUm: 330, wavelengthUm: 8 }
    let [within, n] = [0, 0]
    for (let i = 0; i < 300; i++) {
      const own = (random.next() - 0.5) * 30
      const bursts = [-12, -9, 9, 12].map(angle => ({
        angle,
        amplitude: 3 * afterAzimuth(330, angle - own, 8) * (1 + 0.02 * random.gaussian()),
      }))
      const [angle, spread] = [azimuthByLoss(bursts, track)!, azimuthSpread(bursts, 0.02, track)!]
      n++
      if (Math.abs(angle - own) <= spread) within++
    }
    expect(within / n).toBeGreaterThan(0.9)
    expect(within / n).toBeLessThan(0.99)
  })
  it('inside what is allowed it is left; beyond it the head goes; without a top nothing is known', () => {
    const bursts = (own: number) =>
      Object.fromEntries(
        (['a', 'b', 'c', 'd'] as const).map((k, i) => [k, String(afterAzimuth(330, [-12, -9, 9, 12][i]! - own, 8))]),
      )
    const track = { width: '330 um', wave: '8 um' }
    expect(sum(azimuthCalculator, { ...bursts(5), ...track }).call.kind).toBe('leave')
    expect(sum(azimuthCalculator, { ...bursts(20), ...track, limit: '10' }).call.kind).toBe('mend')
    // Near the limit, or where four bursts alone must tell the loss as well, the reading decides nothing.
    expect(sum(azimuthCalculator, { ...bursts(17), ...track }).call.kind).toBe('unknown')
    expect(sum(azimuthCalculator, bursts(5)).call.kind).toBe('unknown')
    expect(sum(azimuthCalculator, { a: '1', b: '2' }).call.reasons[0]).toContain('2 of four bursts')
    expect(sum(azimuthCalculator, { a: '1', b: '0.5', c: '0.5', d: '1' }).call.kind).toBe('unknown')
  })
})

describe('index burst', () => {
  it('is brought to nominal speed, and told as an angle and a way', () => {
    const late = { seen: '500 us', rpm: '300', radius: '25' }
    expect(sum(indexBurstCalculator, late).call).toMatchObject({
      kind: 'nudge',
      reasons: ['The burst comes 300 µs late, outside ±100 µs of 200 µs.'],
    })
    // 300 µs at 300 r/min is 0.54°; on a circle of 25 mm that is 0.236 mm.
    expect(line(indexBurstCalculator, late, 'Late by').note).toBe('0.54° of a revolution')
    expect(line(indexBurstCalculator, late, 'Sensor to be moved').value).toBeCloseTo(0.2356, 4)
    expect(
      line(
        indexBurstCalculator,
        { seen: '200 us', rpm: '315', nominalRpm: '300' },
        'Burst after index, at nominal speed',
      ).value,
    ).toBeCloseTo(210, 6)
    expect(sum(indexBurstCalculator, { seen: '250 us', rpm: '300' }).call.kind).toBe('leave')
    expect(sum(indexBurstCalculator, { seen: '250 us', rpm: '300', inner: '600 us' }).call.kind).toBe('mend')
  })
})

describe('the track-zero tab', () => {
  // Common practice: too high trips early, too low trips late.
  it('too high is filed, too low is shimmed, by as much as the calipers say', () => {
    const tab = (own: string, more: object = {}) => ({ own, right: '6', pitch: '0.529', ...more })
    expect(sum(tabCalculator, tab('6.5')).call).toMatchObject({
      kind: 'nudge',
      reasons: ['The tab stands 0.5 mm too high: the sensor trips 0.945 cylinders early.'],
      next: expect.stringContaining('File 0.5 mm off it'),
    })
    expect(sum(tabCalculator, tab('5.4')).call).toMatchObject({
      kind: 'nudge',
      next: expect.stringContaining('Shim it by 0.6 mm'),
    })
    expect(sum(tabCalculator, tab('6.05')).call.kind).toBe('leave')
    expect(sum(tabCalculator, tab('6.5', { slope: '90' })).call.kind).toBe('leave')
    expect(tripsSooner(1, 45)).toBeCloseTo(1, 12)
    expect(tripsSooner(1, 90)).toBe(0)
  })
  it('a tab that does not cover the beam is mended first', () => {
    expect(
      sum(tabCalculator, { own: '6', right: '6', pitch: '0.529', beam: '1', beamHeight: '5.4' }).call,
    ).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringContaining('covers 60 % of the beam')],
    })
    expect(() => sum(tabCalculator, { own: '6', right: '6', pitch: '0.529', slope: '120' })).toThrow(
      /an edge at 120°; expected above 0 and at most 90/,
    )
  })
})
