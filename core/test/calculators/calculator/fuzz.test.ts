import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError } from '../../../src/base/errors'
import { CALCULATORS } from '../../../src/calculators/registry'
import { judgeCalculator, rowKey, type Field, type Calculator } from '../../../src/calculators/calculator'

const anything = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom(
    '',
    '0',
    '-1',
    '1e300',
    '1e-300',
    'NaN',
    'Infinity',
    '4k7',
    '10u',
    '1/4 in',
    '20 AWG',
    '300',
    '5',
    '0.2 mA',
    '½',
    '1,5',
    '12',
    '999999999',
  ),
)
/** Every key that may be typed, three rows of a list among them. */
const keysOf = (sum: Calculator): (readonly [string, Field])[] => [
  ...sum.fields.map(f => [f.key, f] as const),
  ...[0, 1, 2].flatMap(i => (sum.list?.fields ?? []).map(f => [rowKey(sum.list!, i, f.key), f] as const)),
]
const typedFor = (sum: Calculator) =>
  fc.record(
    Object.fromEntries(
      keysOf(sum).map(([key, f]) => [key, f.choices ? fc.constantFrom('', ...f.choices.map(c => c.value)) : anything]),
    ),
  )
/**
 * Evenly over the range: fast-check's doubles are even over their representations, and most of those are all but
 * nothing.
 */
const within = (least: number, most: number) => fc.nat(10_000).map(n => least + ((most - least) * n) / 10_000)
const fieldValue = (f: Field): fc.Arbitrary<string> =>
  f.choices
    ? fc.constantFrom('', ...f.choices.map(c => c.value))
    : f.words
      ? fc.oneof(
          fc.constant(''),
          fc.nat(1_000_000).map(n => `C${n}`),
        )
      : within(f.plausible?.[0] ?? (f.quantity === 'count' ? 0 : 0.1), Math.min(f.plausible?.[1] ?? 50, 1e5)).map(x =>
          f.quantity === 'count' ? String(Math.round(x)) : x.toFixed(9),
        )
const sensible = (sum: Calculator) => fc.record(Object.fromEntries(keysOf(sum).map(([key, f]) => [key, fieldValue(f)])))

describe('whatever is typed into a sum', () => {
  it.each(CALCULATORS.map(s => [s.id, s] as const))('%s answers, or says in a sentence what cannot be', (_, sum) => {
    fc.assert(
      fc.property(typedFor(sum), typed => {
        try {
          judgeCalculator(sum, typed)
        } catch (error) {
          expect(error).toBeInstanceOf(InputError)
          expect((error as Error).message).toMatch(/\.$/)
        }
      }),
      { numRuns: 150 },
    )
  })

  it.each(CALCULATORS.map(s => [s.id, s] as const))('%s: with sizes that can be, the answer is whole', (_, sum) => {
    let answered = 0
    fc.assert(
      fc.property(sensible(sum), typed => {
        let judged
        try {
          judged = judgeCalculator(sum, typed)
        } catch (error) {
          // Pulleys that overlap, or an idler in a pulley, are sizes that can be and a drive that cannot.
          expect((error as Error).message).toMatch(
            /cannot have failed|no sector was read|is not an error-rate limit|overlap|a size of nothing|further out than the head reaches|has no lobes|differ by more than the eccentricity|an edge at|both lobes are nothing|of \d teeth|for no time|for no drive|stands twice|failures in|no trial|over one tooth more|is not one of the straps/,
          )
          return
        }
        const { result } = judged
        if (!result) return
        answered++
        expect(result.call.reasons.length).toBeGreaterThan(0)
        for (const s of [...result.call.reasons, result.call.next]) {
          expect(s).toMatch(/^[A-Z0-9].*\.$/s)
          expect(s).not.toMatch(/NaN|undefined|Infinity|null/)
        }
        if (result.call.kind !== 'unknown') expect(result.observations.length).toBeGreaterThan(0)
        for (const l of result.lines)
          if (typeof l.value === 'number') expect(Number.isFinite(l.value), `${l.label} ${l.value}`).toBe(true)
      }),
      { numRuns: 150 },
    )
    expect(answered).toBeGreaterThan(0)
  })
})
