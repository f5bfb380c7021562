import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  afterEvent,
  AT_REST,
  changeTold,
  donorSwitchCalculator,
  hostSeesCalculator,
  whatHostSees,
  type ChangeEvent,
} from '../../../src/calculators/electronics'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call

describe('what the host sees of a switch', () => {
  it('every wiring of it, against the contact followed by hand', () => {
    let right = 0
    for (const contact of ['nc', 'no'] as const)
      for (const pressedIn of ['protected', 'writable'])
        for (const closes of ['ground', 'supply'] as const)
          for (const inverted of [false, true]) {
            const seen = whatHostSees('protect', { contact, pressedIn, closes, inverted })
            for (const s of seen) {
              // By hand: is the contact closed; which rail wins; does a gate turn it over.
              const closed = s.state === pressedIn ? contact === 'no' : contact === 'nc'
              let level = closed ? (closes === 'ground' ? 0 : 1) : closes === 'ground' ? 1 : 0
              if (inverted) level = 1 - level
              expect(s.low).toBe(level === 0)
              expect(s.says).toBe(level === 0 ? 'protected' : 'writable')
            }
            if (seen.every(s => s.right)) right++
          }
    // Each of four two-way choices turns the answer over, so exactly half of the sixteen are right.
    expect(right).toBe(8)
  })

  it('a write-protect switch that tells the opposite stops the work', () => {
    // Common practice, no source: these switches are normally closed.
    const wired = { use: 'protect', contact: 'nc', closes: 'ground', inverted: 'no' }
    expect(call(hostSeesCalculator, { ...wired, pressed: 'second' })).toMatchObject({ kind: 'leave' })
    expect(call(hostSeesCalculator, { ...wired, pressed: 'first' })).toMatchObject({
      kind: 'stop',
      reasons: ['It tells the opposite: a protected disk would be written on.'],
    })
    expect(call(hostSeesCalculator, { ...wired, use: 'disk-in', pressed: 'first' }).kind).toBe('mend')
  })
})

describe('what was not said of a switch', () => {
  it('stays open, unless every way agrees', () => {
    expect(call(hostSeesCalculator, { use: 'protect', contact: 'nc' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/when the switch is pressed.*inverts it/)],
    })
  })
  // Common practice, no source: on 3.5-inch the plunger drops into an open hole, and an open hole is protected, so
  // pressed is writable; on 5.25-inch a covered notch is protected; on 8-inch it is the other way round.
  it('pressed means by the drive’s type what the trade says', () => {
    const wired = { use: 'protect', contact: 'no', closes: 'ground', inverted: 'no' }
    // A normally open contact to ground is low when pressed: right only where pressed is protected.
    for (const [mechanism, kind] of [
      ['5.25in-48', 'leave'],
      ['5.25in-96', 'leave'],
      ['8in', 'stop'],
      ['3.5in', 'stop'],
      ['3.5in-eject', 'stop'],
    ] as const)
      expect(call(hostSeesCalculator, { ...wired, mechanism }).kind, mechanism).toBe(kind)
    // The drive turns the level over on its way: the whole chain counts.
    expect(call(hostSeesCalculator, { ...wired, inverted: 'yes', mechanism: '3.5in' }).kind).toBe('leave')
  })
  it('disk change follows from the wiring of the disk-in switch too', () => {
    const wired = { use: 'change', contact: 'no', closes: 'ground', inverted: 'no' }
    expect(call(hostSeesCalculator, { ...wired, pressed: 'first' }).kind).toBe('leave')
    expect(call(hostSeesCalculator, { ...wired, pressed: 'second' })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/opposite/)],
    })
    expect(call(hostSeesCalculator, { use: 'change', contact: 'no' }).kind).toBe('unknown')
  })
})

describe('the disk-change latch', () => {
  const run = (events: readonly ChangeEvent[], health: 'works' | 'says in' | 'says out' = 'works') =>
    events.reduce((s, e) => afterEvent(s, e, health), AT_REST)
  // Common practice, no source: it latches on removal, is cleared by a step with a disk in, and means something only
  // while selected.
  it('the trade’s three facts', () => {
    expect(changeTold(run(['power-on', 'select', 'disk-in']))).toBe(true)
    expect(changeTold(run(['power-on', 'select', 'disk-in', 'step']))).toBe(false)
    expect(changeTold(run(['power-on', 'select', 'disk-in', 'step', 'disk-out']))).toBe(true)
    expect(changeTold(run(['power-on', 'select', 'disk-in', 'step', 'disk-out', 'step']))).toBe(true)
    expect(changeTold(run(['power-on', 'select', 'disk-in', 'step', 'disk-out', 'disk-in']))).toBe(true)
    expect(changeTold(run(['power-on', 'disk-in']))).toBe(false)
  })
  it('whatever happens: told only when selected, and never after a step with the disk in that followed its coming', () => {
    const events = fc.array(fc.constantFrom<ChangeEvent>('disk-out', 'disk-in', 'step', 'select', 'deselect'), {
      maxLength: 30,
    })
    fc.assert(
      fc.property(events, list => {
        const s = run(['power-on', ...list])
        const out = list.lastIndexOf('disk-out')
        // After the last removal: did a step follow a disk that came.
        const first = list.indexOf('disk-in', out + 1)
        const cleared = first >= 0 && list.includes('step', first)
        expect(s.latched).toBe(!cleared)
        if (!s.selected) expect(changeTold(s)).toBe(false)
      }),
      { numRuns: 300 },
    )
  })
  it('a switch that sticks at “in” hides every change after the first step', () => {
    expect(call(hostSeesCalculator, { use: 'change', health: 'in' })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/last disk’s directory stays/)],
    })
    expect(call(hostSeesCalculator, { use: 'change', health: 'out' }).kind).toBe('mend')
    expect(call(hostSeesCalculator, { use: 'change' }).kind).toBe('leave')
  })
})

describe('donor switch', () => {
  const fits = {
    acts1: '6.0',
    acts2: '6.1',
    pitch1: '2.54',
    pitch2: '1/10 in',
    wide1: '8',
    wide2: '7.5',
    needs: 'nc',
    has: 'both',
  }
  it('fits within its tolerances, and a wrong contact is no fit', () => {
    expect(call(donorSwitchCalculator, fits).kind).toBe('leave')
    expect(call(donorSwitchCalculator, { ...fits, acts2: '6.6' })).toMatchObject({
      kind: 'nudge',
      next: expect.stringMatching(/Shim or file/),
    })
    expect(call(donorSwitchCalculator, { ...fits, has: 'no' }).reasons[0]).toMatch(/normally open contact only/)
    expect(call(donorSwitchCalculator, { ...fits, ohms: '12' }).kind).toBe('mend')
    expect(call(donorSwitchCalculator, { acts1: '6' }).kind).toBe('unknown')
  })
})
