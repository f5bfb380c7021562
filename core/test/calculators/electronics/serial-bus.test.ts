import { describe, expect, it } from 'vitest'
import { holderOf, serialBusCalculator } from '../../../src/calculators/electronics'
import { judgeCalculator } from '../../../src/calculators/calculator'

const call = (values: Record<string, string>) => judgeCalculator(serialBusCalculator, values).result!.call

describe('a serial bus at rest', () => {
  it('all high: leave it; a line that is low is held by the side on which it is low alone', () => {
    expect(
      call({ 'attention-both': '4.8', 'clock-both': '4.7', 'data-both': '4.8', 'reset-both': '4.9' }),
    ).toMatchObject({ kind: 'leave', reasons: ['All four lines idle high, as they should.'] })
    expect(call({ 'data-both': '0.1' })).toMatchObject({
      kind: 'unknown',
      next: expect.stringContaining('with the cable off'),
    })
    expect(call({ 'data-both': '0.1', 'data-drive': '0.1', 'data-host': '4.8' }).reasons[0]).toBe(
      'Data is held low by the drive.',
    )
    expect(call({ 'clock-both': '0.2', 'clock-drive': '4.9', 'clock-host': '0.1' }).reasons[0]).toContain('by the host')
    expect(call({ 'reset-both': '0.1', 'reset-drive': '0.1' }).reasons[0]).toContain('processor stands still')
    expect(call({ 'data-both': '0.1', 'data-drive': '4.9', 'data-host': '4.8' }).reasons[0]).toContain(
      'the cable shorts it',
    )
    expect(call({ 'data-both': '1.4' }).kind).toBe('unknown')
  })
  it('every combination of levels has one answer', () => {
    for (const a of ['low', 'high', 'between', 'not measured'] as const)
      for (const b of ['low', 'high', 'between', 'not measured'] as const)
        for (const c of ['low', 'high', 'between', 'not measured'] as const) expect(holderOf(a, b, c)).toBeTruthy()
    expect(call({ 'data-both': '0.79' }).kind).toBe('unknown')
  })
  // Sum of the currents at the node, by hand: 5 V through 1 kΩ against what data books let two open-collector outputs
  // leak (0.25 mA each) and five standard inputs take (40 µA each) is 4.3 V at the worst. 2.1 V is no idle level.
  it('an idle line stands near its supply: 2.1 V is no idle level', () => {
    const worst = 5 - 1000 * (2 * 0.25e-3 + 5 * 40e-6)
    expect(worst).toBeCloseTo(4.3, 12)
    expect(call({ 'data-both': String(worst) }).kind).toBe('leave')
    expect(call({ 'data-both': '2.1' })).toMatchObject({
      kind: 'unknown',
      reasons: ['Data stands between low and idle: a driver half on, a leaking input, or a missing pull-up.'],
    })
  })
  it('the drive alone is a reading of its own', () => {
    expect(call({ 'data-drive': '0.1' })).toMatchObject({ kind: 'mend', reasons: ['Data is held low by the drive.'] })
    expect(call({ 'data-drive': '4.8', 'clock-drive': '4.8' }).kind).toBe('leave')
    expect(call({ 'data-drive': '2.1' }).kind).toBe('unknown')
  })
  // At the drive attention and reset only come in: what holds them there is an input (common practice, no source).
  it('a line that the drive only listens to is held by a gate’s input', () => {
    expect(call({ 'attention-drive': '0.2' }).next).toMatch(/chip whose input it reaches/)
    expect(call({ 'data-drive': '0.2' }).next).toMatch(/bus driver for data/)
  })
})
