import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  envelopeOf,
  humpsIn,
  judgeSweep,
  mayTouch,
  readScope,
  readSweep,
  sweepJson,
  type Counted,
  type SweepContext,
  type SweepPosition,
} from '../../../src/instruments/alignment'
import { usualHalfWindowUm } from '../../../src/calculators/alignment'
import { readWaveform } from '../../../src/signals/captures'
import { InputError, ParameterError } from '../../../src/base/errors'
import { CALLS } from '../../../src/base/observations'
import { QuickGauss, scopeWav, SOUND_ALIGNMENT } from '../../../src/simulator'

const counted = (expected: number): fc.Arbitrary<Counted> =>
  fc.record({
    good: fc.integer({ min: 0, max: expected }),
    expected: fc.constant(expected),
    margin: fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: undefined }),
    named: fc.option(fc.integer({ min: -2, max: 2 }), { nil: undefined }),
  })
const rows = (two: boolean): fc.Arbitrary<SweepPosition[]> =>
  fc.array(
    fc.record({
      position: fc.double({ min: -10, max: 10, noNaN: true }),
      side: fc.constantFrom('below' as const, 'above' as const),
      lower: counted(9),
      upper: two ? counted(9) : fc.constant(null),
    }),
    { maxLength: 9 },
  )
const contexts: fc.Arbitrary<SweepContext> = fc.record({
  travel: fc.constantFrom(undefined, [-10, 10] as const),
  adjuster: fc.constantFrom(undefined, 'sensor' as const, 'stepper' as const, 'upper' as const),
  mechanism: fc.constantFrom(undefined, '3.5in' as const, '8in' as const, 'cartridge' as const),
  umPerUnit: fc.constantFrom(undefined, 20),
  stood: fc.constantFrom(undefined, 0, 3),
  unit: fc.constantFrom(undefined, 'marks'),
})

describe('whatever is tried', () => {
  it('a sweep answers with a call, finite numbers, and a next position on the travel', () => {
    fc.assert(
      fc.property(fc.boolean().chain(rows), contexts, (tried, context) => {
        let r: ReturnType<typeof judgeSweep>
        try {
          r = judgeSweep(tried, context)
        } catch (error) {
          expect(error).toBeInstanceOf(ParameterError)
          return
        }
        expect(CALLS[r.call.kind]).toBeDefined()
        expect(r.call.reasons[0]!.length).toBeGreaterThan(10)
        if (r.tryNext !== null) {
          expect(Number.isFinite(r.tryNext)).toBe(true)
          if (context.travel) expect(Math.abs(r.tryNext)).toBeLessThanOrEqual(10 + 1e-9)
        }
        if (r.common) {
          expect(r.common.from).toBeLessThan(r.common.to)
          expect(r.common.uncertainty).toBeGreaterThanOrEqual(0)
        }
        expect(JSON.stringify(sweepJson(r))).not.toMatch(/NaN|Infinity/)
      }),
      { numRuns: 120 },
    )
  })

  it('positions that nobody can tell apart are one', () => {
    const at = (position: number, good: number): SweepPosition => ({
      position,
      lower: { good: 0, expected: 9 },
      upper: { good, expected: 9 },
    })
    const one = judgeSweep([at(1.9e-191, 0), at(0, 0), at(5e-324, 9), at(3.8e-190, 7)], { stood: 3, unit: 'marks' })
    expect(one).toMatchObject({ tryNext: null, call: { kind: 'unknown' } })
  })

  // A window does not know which end of the scale is called plus, nor how long a unit is.
  const sharp = fc.record({
    middle: fc.double({ min: -4, max: 4, noNaN: true }),
    half: fc.double({ min: 2, max: 5, noNaN: true }),
  })
  const sweepOf = ({ middle, half }: { middle: number; half: number }, turn: (p: number) => number) =>
    [-9, -6.5, -4, -1.5, 1, 3.5, 6, 8.5].map((p): SweepPosition => ({
      position: turn(p),
      lower: { good: Math.abs(p - middle) < half ? 9 : 0, expected: 9 },
      upper: null,
    }))
  it('mirrored tries have the mirrored middle', () => {
    fc.assert(
      fc.property(sharp, w => {
        const [a, b] = [judgeSweep(sweepOf(w, p => p)), judgeSweep(sweepOf(w, p => -p))]
        if (a.common && b.common) expect(a.common.centre).toBeCloseTo(-b.common.centre, 1)
      }),
      { numRuns: 40 },
    )
  })
  it('tries in another unit have the middle in that unit', () => {
    fc.assert(
      fc.property(sharp, fc.constantFrom(0.1, 25.4), (w, k) => {
        const [a, b] = [judgeSweep(sweepOf(w, p => p)), judgeSweep(sweepOf(w, p => p * k))]
        if (a.common && b.common) expect(b.common.centre / k).toBeCloseTo(a.common.centre, 5)
      }),
      { numRuns: 30 },
    )
  })
  it('the same tries in another order say the same', () => {
    fc.assert(
      fc.property(sharp, fc.integer({ min: 1, max: 7 }), (w, turn) => {
        const tried = sweepOf(w, p => p)
        const [a, b] = [judgeSweep(tried), judgeSweep([...tried.slice(turn), ...tried.slice(0, turn)])]
        expect(b.common?.centre ?? 0).toBeCloseTo(a.common?.centre ?? 0, 6)
      }),
      { numRuns: 30 },
    )
  })
})

describe('whatever surface is on the log', () => {
  it('the verdict is a call, and touches nothing that is not a reference disk’s word', () => {
    const count = fc.integer({ min: 0, max: 9 })
    const bar = fc.record({
      cylinder: fc.integer({ min: 0, max: 79 }),
      head: fc.constantFrom(0 as const, 1 as const),
      margin: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
      good: count,
      bad: count,
      missing: count,
      wrongCylinder: count,
    })
    fc.assert(
      fc.property(fc.array(bar, { minLength: 1, maxLength: 12 }), fc.constantFrom(null, false), (bars, trustedDisk) => {
        const v = mayTouch({
          mechanism: '3.5in',
          surface: { bars },
          speed: 'leave',
          trustedDisk,
          clean: true,
          lacquer: {},
          secondDisk: null,
        })
        expect(v.call.kind).not.toBe('nudge')
        expect(v.explanations.every(e => e.probability >= 0 && e.probability <= 1 + 1e-9)).toBe(true)
      }),
      { numRuns: 25 },
    )
  })
  it('every class with tracks has a window', () =>
    expect(usualHalfWindowUm('8in')).toBeGreaterThan(usualHalfWindowUm('3.5in')))
})

describe('damaged files', () => {
  const whole = scopeWav({ ...SOUND_ALIGNMENT, rpm: 3000 })
  const asIs = (error: unknown) => expect(error).toBeInstanceOf(InputError)
  it('a capture with bytes turned over is read or refused in a sentence', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 255 })), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.integer({ min: 0, max: whole.length }),
        (turned, cut) => {
          const bytes = whole.slice(0, cut)
          for (const [at, to] of turned) if (at < bytes.length) bytes[at] = to
          try {
            for (const pattern of ['lobes', 'azimuth', 'index'] as const)
              readScope(readWaveform(bytes, 'x.wav'), pattern)
          } catch (error) {
            asIs(error)
          }
        },
      ),
      { numRuns: 60 },
    )
  })
  it('a table of anything is read or refused', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), text => {
        for (const run of [() => readSweep(text), () => readWaveform(new TextEncoder().encode(text), 'x.csv')]) {
          try {
            run()
          } catch (error) {
            asIs(error)
          }
        }
      }),
      { numRuns: 150 },
    )
  })
  it('an envelope of silence, or of noise alone, has no lobes', () => {
    expect(humpsIn(envelopeOf(new Float64Array(5000), 1000))).toEqual([])
    const gauss = new QuickGauss(4)
    expect(
      humpsIn(
        envelopeOf(
          Float64Array.from({ length: 100_000 }, () => gauss.next()),
          500_000,
        ),
      ),
    ).toEqual([])
  })
})
