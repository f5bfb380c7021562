import { describe, expect, it } from 'vitest'
import {
  bestMeasurement,
  logicCalculator,
  polarityCalculator,
  suspectsOf,
  type LineEnds,
} from '../../../src/calculators/electronics'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const call = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!.call

describe('the supply’s wires', () => {
  const good = { volts1: '0', to1: 'ground', volts2: '5.02', to2: 'five', volts3: '12.1', to3: 'twelve' }

  // Common practice, no source: colours prove nothing; measure each, then ring out to a logic chip's supply pins.
  it('may connect only when each is measured and checked for continuity, and both agree', () => {
    expect(call(polarityCalculator, good)).toMatchObject({
      kind: 'leave',
      reasons: ['May connect: 3 wires measured and checked for continuity, each where it belongs.'],
    })
    expect(call(polarityCalculator, { colours: 'yes' })).toMatchObject({
      kind: 'stop',
      reasons: [expect.stringMatching(/Colours are not evidence/)],
    })
    expect(call(polarityCalculator, { ...good, volts2: '12.1', volts3: '5.0' })).toMatchObject({
      kind: 'stop',
      reasons: [expect.stringMatching(/Wire 2 measures 12\.1 V and leads to the 5 V pin/), expect.anything()],
    })
    const { to2: _, ...unrung } = good
    expect(call(polarityCalculator, unrung)).toMatchObject({
      kind: 'stop',
      reasons: [expect.stringMatching(/Wire 2: measured but continuity not checked/)],
    })
    expect(call(polarityCalculator, { volts1: '0', to1: 'ground' }).reasons[0]).toBe('Not verified yet: a 5 V wire.')
    expect(call(polarityCalculator, { ...good, volts4: '-12', to4: 'nothing' })).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/carries -12 V/)],
    })
  })

  it('no combination of wires without both proofs is ever let through', () => {
    const volts = [undefined, '0', '5', '12']
    const pins = [undefined, 'ground', 'five', 'twelve', 'nothing']
    let let_ = 0
    for (const v1 of volts)
      for (const t1 of pins)
        for (const v2 of volts)
          for (const t2 of pins) {
            const typed = Object.fromEntries(
              Object.entries({ volts1: v1, to1: t1, volts2: v2, to2: t2, colours: 'yes' }).filter(
                ([, x]) => x !== undefined,
              ),
            ) as Record<string, string>
            if (call(polarityCalculator, typed).kind !== 'leave') continue
            let_++
            expect([`${v1} ${t1}`, `${v2} ${t2}`].sort()).toEqual(['0 ground', '5 five'])
          }
    expect(let_).toBe(2)
  })
})

describe('a logic line', () => {
  // Common practice, no source: a bus line that should idle high and sits low points to its driver; an address line
  // that
  // neither swings nor sits at a level points to an open output.
  it('the trade’s two facts', () => {
    const status = { expected: 'high', made: 'drive', pullAt: 'drive' }
    expect(call(logicCalculator, { ...status, now: 'low', cable: 'low', driver: 'high' })).toMatchObject({
      kind: 'mend',
      reasons: ['It points to its driver in the drive, shorted to ground.'],
    })
    expect(call(logicCalculator, { expected: 'swings', now: 'between' })).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/an open output/)],
    })
  })

  it('names the next measurement, the cheapest first where two separate alike, and gets to one suspect by it', () => {
    expect(call(logicCalculator, { expected: 'high', now: 'low' }).next).toMatch(/^Say which end makes the line/)
    const ended = { expected: 'high', made: 'drive', pullAt: 'drive' }
    expect(call(logicCalculator, { ...ended, now: 'low' })).toMatchObject({
      kind: 'unknown',
      next: 'Measure it with the cable off: that separates them best.',
    })
    const ways: readonly (readonly ['high' | 'swings', Partial<LineEnds>])[] = [
      ['swings', {}],
      ...(['drive', 'host'] as const).flatMap(made =>
        (['drive', 'host', 'both'] as const).map(pull => ['high', { made, pull }] as const),
      ),
    ]
    for (const [expected, ends] of ways)
      for (const truth of suspectsOf(expected, {}, ends)) {
        const measured: Parameters<typeof suspectsOf>[1] = {}
        for (let i = 0; i < 4; i++) {
          const next = bestMeasurement(suspectsOf(expected, measured, ends), measured)
          if (!next) break
          measured[next] = truth.shows[next][0]!
        }
        const left = suspectsOf(expected, measured, ends)
        expect(left.map(s => s.id)).toContain(truth.id)
        // A short in the cable and one in the host's own part look alike from here.
        expect(left.length, `${truth.id} ${JSON.stringify({ ends, measured })}`).toBeLessThanOrEqual(2)
      }
  })

  // Sum of the currents at the node: nothing joined to it gives none, so a meter there reads its own input.
  it('a status line with its pull-up at the host tells nothing with the cable off', () => {
    const ends = { made: 'drive', pull: 'host' } as const
    for (const cable of ['low', 'between', 'high'] as const)
      expect(suspectsOf('high', { now: 'high', cable }, ends).map(s => s.id)).toContain('none')
    // With the pull-up in the drive the same reading is evidence.
    expect(suspectsOf('high', { now: 'low', cable: 'high' }, { made: 'drive', pull: 'drive' }).map(s => s.id)).toEqual([
      'host',
    ])
    const said = judgeCalculator(logicCalculator, {
      expected: 'high',
      made: 'drive',
      pullAt: 'host',
      now: 'low',
      cable: 'low',
    }).result!
    expect(said.lines.find(l => l.label === 'With the cable off')!.value).toBe('tells nothing')
    expect(said.call.kind).toBe('unknown')
  })
  it('a line that the host makes has no driver in the drive to replace', () => {
    expect(suspectsOf('high', { now: 'low' }, { made: 'host' }).map(s => s.id)).not.toContain('driver')
    expect(suspectsOf('high', { now: 'low' }, { made: 'drive' }).map(s => s.id)).not.toContain('receiver')
  })

  it('contradictions are named, and two terminators seen', () => {
    expect(
      call(logicCalculator, { expected: 'high', made: 'host', pullAt: 'drive', now: 'high', cable: 'low' }),
    ).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringMatching(/contradict each other/)],
    })
    expect(call(logicCalculator, { expected: 'high', now: 'high', pull: '75' }).reasons[0]).toMatch(
      /two terminators may be fitted/,
    )
    // By hand: (5 − 0.4) V ÷ 150 Ω + 1.6 mA = 32.3 mA; 2.2 × 150 Ω × 1 nF = 0.33 µs.
    const { lines } = judgeCalculator(logicCalculator, {
      expected: 'high',
      now: 'high',
      pull: '150',
      load: '1n',
    }).result!
    expect(lines.find(l => l.label === 'The driver must sink')!.value).toBeCloseTo(32.27, 2)
    expect(lines.find(l => l.label.startsWith('Rise time'))!.value).toBeCloseTo(0.33, 9)
  })
})
