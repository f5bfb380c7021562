import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  bindings,
  chance,
  contribution,
  judgeSweep,
  SOFT,
  STRAY,
  readSweep,
  sweepJson,
  tryNext,
  readingRange,
  readingRanges,
  type SweepPosition,
  type Tried,
} from '../../../src/instruments/alignment'
import { Random } from '../../../src/simulator'

/** A head that reads between two positions, softly at the edges: a fiftieth of the width, as most drives do. */
const head =
  (from: number, to: number, random: Random) =>
  (position: number): Tried => {
    const p = chance(position, from, to, 0.02)
    return { position, expected: 11, good: Array.from({ length: 11 }, () => random.next() < p).filter(Boolean).length }
  }
const row = (position: number, lower: number, upper: number | null = null): SweepPosition => ({
  position,
  lower: { good: lower, expected: 11 },
  upper: upper === null ? null : { good: upper, expected: 11 },
})
const plainRows = (...goods: [number, number][]) => goods.map(([p, g]) => row(p, g))

describe('the window that a head reads in', () => {
  it('agrees with a brute-force likelihood over fine steps', () => {
    const tried: Tried[] = [
      [-6, 0],
      [-4, 0],
      [-2, 11],
      [0, 11],
      [2, 11],
      [4, 3],
      [6, 0],
    ].map(([position, good]) => ({ position: position!, good: good!, expected: 11 }))
    // Every pair of edges and three softnesses, worked out one by one.
    let [sum, centre] = [0, 0]
    for (let a = -15; a <= 15; a += 0.05) {
      for (let b = a + 0.05; b <= 15; b += 0.05) {
        for (const soft of SOFT) {
          // The law of an edge, written out: logistic in the distance inside the nearer edge, over a share of the
          // width.
          const l = tried.reduce((s, t) => {
            const p =
              STRAY + (1 - 2 * STRAY) / (1 + Math.exp(-Math.min(t.position - a, b - t.position) / (soft * (b - a))))
            return s + t.good * Math.log(p) + (11 - t.good) * Math.log(1 - p)
          }, 0)
          sum += Math.exp(l)
          centre += (Math.exp(l) * (a + b)) / 2
        }
      }
    }
    expect(readingRange(tried).centre.value).toBeCloseTo(centre / sum, 1)
  })
  it('weights add up to one, and the middle lies within what was tried', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -20, max: 20 }), fc.integer({ min: 0, max: 11 })), {
          minLength: 2,
          maxLength: 8,
        }),
        rows => {
          if (new Set(rows.map(r => r[0])).size < 2) return
          const windows = readingRanges(rows.map(([position, good]) => ({ position, good, expected: 11 })))
          expect(windows.reduce((s, w) => s + w.weight, 0)).toBeCloseTo(1, 9)
        },
      ),
      { numRuns: 15 },
    )
  })
})

describe('where to try next', () => {
  it('goes between a pass and a fail, where it halves what is not known', () => {
    const next = tryNext([plainRows([-10, 0], [0, 11], [10, 0]).map(r => ({ position: r.position, ...r.lower }))])
    expect(Math.abs(next)).toBeGreaterThan(1)
    expect(Math.abs(next)).toBeLessThan(10)
  })
  it('finds the middle within a twentieth of the width in few tries, on windows that it does not know', () => {
    const needed: number[] = []
    let close = 0
    for (let seed = 1; seed <= 25; seed++) {
      const random = new Random(seed)
      const [middle, width] = [(random.next() - 0.5) * 10, 5 + random.next() * 6]
      const read = head(middle - width / 2, middle + width / 2, random)
      const tried: SweepPosition[] = [-10, 0, 10].map(position => {
        const t = read(position)
        return { position, lower: t, upper: null }
      })
      for (let k = 3; k < 16; k++) {
        const r = judgeSweep(tried)
        if (r.tryNext === null) break
        tried.push({ position: r.tryNext, lower: read(r.tryNext), upper: null })
      }
      const r = judgeSweep(tried)
      needed.push(tried.length)
      expect(Math.abs(r.common!.centre - middle)).toBeLessThan(width * 0.15)
      if (Math.abs(r.common!.centre - middle) < width * 0.05) close++
    }
    expect(needed.sort((a, b) => a - b)[12]).toBeLessThanOrEqual(8)
    expect(close).toBeGreaterThanOrEqual(19)
  })
})

describe('two heads at one adjuster', () => {
  it('only the edge that comes first on either side is looked for, and the middle of both is found', () => {
    const needed: number[] = []
    for (let seed = 1; seed <= 12; seed++) {
      const random = new Random(seed)
      const [a, apart, width] = [(random.next() - 0.5) * 6, (random.next() - 0.5) * 3, 6 + random.next() * 4]
      const [lower, upper] = [
        head(a - width / 2, a + width / 2, random),
        head(a + apart - width / 2, a + apart + width / 2, random),
      ]
      const read = (position: number): SweepPosition => ({ position, lower: lower(position), upper: upper(position) })
      const tried = [-10, 0, 10].map(read)
      for (let r = judgeSweep(tried); r.tryNext !== null && tried.length < 20; r = judgeSweep(tried))
        tried.push(read(r.tryNext))
      const { common } = judgeSweep(tried)
      const [from, to] = [Math.max(a, a + apart) - width / 2, Math.min(a, a + apart) + width / 2]
      expect(Math.abs(common!.centre - (from + to) / 2)).toBeLessThan((to - from) * 0.15)
      needed.push(tried.length)
    }
    expect(needed.sort((x, y) => x - y)[6]).toBeLessThanOrEqual(10)
  })
  it('which edges bind: the later beginning and the earlier end; where they are alike, both', () => {
    const e = (value: number) => ({ value, uncertainty: 0.1 })
    const window = (from: number, to: number) => ({
      from: e(from),
      to: e(to),
      centre: e((from + to) / 2),
      metBelow: true,
      metAbove: true,
    })
    expect(bindings([window(-3, 4), window(-2, 5)])).toEqual([
      { from: 0, to: 1 },
      { from: 1, to: 0 },
    ])
    expect(bindings([window(-3, 4), window(-3.1, 4)])).toEqual([
      { from: 1, to: 1 },
      { from: 1, to: 1 },
    ])
    expect(bindings([window(-3, 4)])).toEqual([{ from: 1, to: 1 }])
    expect(contribution({ from: -2, to: 4 }, { from: 1, to: 0 })).toBe(-1)
  })
})

describe('the call of a sweep', () => {
  // Common practice: eleven of eleven sectors on both heads at outer, middle and inner, and set in the middle of what
  // works.
  it('both edges met and the middle known: nudge it there', () => {
    const rows = [-8, -6, -5, -4.5, -4, -3, 0, 3, 4, 4.5, 5, 6, 8].map(p =>
      row(p, Math.abs(p) <= 4.2 ? 11 : 0, Math.abs(p - 0.2) <= 4.4 ? 11 : 0),
    )
    const r = judgeSweep(rows, { unit: '°' })
    expect(r.call.kind).toBe('nudge')
    expect(r.common!.centre).toBeCloseTo(0, 0)
    expect(r.tryNext).toBeNull()
    expect(r.call.next).toContain('coming from one side')
    expect(sweepJson(r)).toMatchObject({
      call: 'nudge',
      lower: {
        from: expect.any(Number),
        to: expect.any(Number),
        centre: expect.any(Number),
        uncertainty: expect.any(Number),
      },
      upper: expect.anything(),
      common: { centre: expect.any(Number) },
      tryNext: null,
    })
  })
  it.each([
    ['nothing tried', [], 'unknown', /No position was tried/],
    ['one position', [row(1, 11)], 'unknown', /Only one position/],
    ['all pass', plainRows([-2, 11], [0, 11], [2, 11]), 'leave', /its edges were not met/],
    ['all fail', plainRows([-2, 0], [0, 1], [2, 0]), 'unknown', /Nothing reads at any position/],
    ['one edge', plainRows([-4, 0], [-2, 11], [0, 11]), 'unknown', /One edge of the range was not met/],
    [
      'repeats that contradict',
      plainRows([-4, 0], [0, 11], [0, 0], [4, 0]),
      'unknown',
      /At 0 the lower head read 11 of 11 once and 0 of 11/,
    ],
    [
      'windows that do not overlap',
      [-8, -6, -4, -2, 0, 2, 4, 6, 8].map(p => row(p, p < -2 && p > -8 ? 11 : 0, p > 2 && p < 8 ? 11 : 0)),
      'mend',
      /do not overlap/,
    ],
    [
      'an upper head that never reads',
      [-4, 0, 4].map(p => row(p, p === 0 ? 11 : 0, 0)),
      'unknown',
      /The upper head reads at no position/,
    ],
  ] as const)('%s', (_, rows, kind, says) => {
    const { call } = judgeSweep(rows as readonly SweepPosition[])
    expect(call.kind).toBe(kind)
    expect(call.reasons[0]).toMatch(says)
  })
  it('what has to come first is said first', () => {
    expect(
      judgeSweep(plainRows([-4, 0], [0, 11], [4, 0]), { notYet: ['The speed was not measured.'] }).call,
    ).toMatchObject({ kind: 'unknown', reasons: ['The speed was not measured.'] })
  })
  it('counts that cannot be are refused with their row', () => {
    expect(() => judgeSweep([row(0, 12), row(1, 0)])).toThrow(
      /row 1: lower head read 12 sectors of 11; expected no more than there are/,
    )
    expect(() => judgeSweep([row(0, 11, 3), row(1, 0)])).toThrow(/some rows have an upper head and some have none/)
  })
})

describe('a sweep as a table', () => {
  it('is read with one head or two; what is amiss is named by line and column', () => {
    expect(readSweep('position,lower_good,lower_expected\n-1.5,11,11\n2,0,11\n')).toEqual([
      { position: -1.5, lower: { good: 11, expected: 11 }, upper: null },
      { position: 2, lower: { good: 0, expected: 11 }, upper: null },
    ])
    expect(readSweep('position,lower_good,lower_expected,upper_good,upper_expected\n1,2,3,4,5')[0]!.upper).toEqual({
      good: 4,
      expected: 5,
    })
    expect(() => readSweep('place,good\n1,2')).toThrow(/there is no column position, lower_good, lower_expected/)
    expect(() => readSweep('position,lower_good,lower_expected\n3mm,2,3', 'a.csv')).toThrow(
      /a\.csv, line 2, position: position is “3mm”; expected a plain number, in one unit throughout/,
    )
  })
})

describe('which head an adjuster moves', () => {
  const c = (good: number) => ({ good, expected: 9 })
  /** The lower head reads everywhere and was not touched; the upper one reads from −2 to 4. */
  const rows = [-8, -4, -3, -2, 0, 2, 4, 5, 8].map(position => ({
    position,
    lower: c(9),
    upper: c(position >= -2 && position <= 4 ? 9 : 0),
  }))
  it('a head’s own screws are judged by that head alone', () => {
    const own = judgeSweep(rows, { adjuster: 'upper', travel: [-10, 10] })
    expect(own.lower).toBeNull()
    expect(own.upper!.centre.value).toBeCloseTo(1, 0)
    // A lower head that reads nothing anywhere is no reason to blame this adjuster.
    const dead = judgeSweep(
      rows.map(r => ({ ...r, lower: c(0) })),
      { adjuster: 'upper', travel: [-10, 10] },
    )
    expect(dead.common).toEqual(own.common)
    expect(dead.call.reasons.join(' ')).not.toMatch(/reads at no position/)
  })
  it('what moves both heads is judged by one of them where that is said', () => {
    const both = judgeSweep(
      rows.map(r => ({ ...r, lower: c(Math.abs(r.position) <= 3 ? 9 : 0) })),
      { adjuster: 'stepper', travel: [-10, 10], by: 'lower' },
    )
    expect(both.upper).toBeNull()
    expect(both.lower!.centre.value).toBeCloseTo(0, 0)
  })
  it('an old mark in glue or paint is tried first', () => {
    expect(judgeSweep([], { adjuster: 'upper', travel: [-10, 10], stood: 3, witness: -1 })).toMatchObject({
      tryNext: -1,
      call: { next: 'Read at −1 first, at its old mark.' },
    })
  })
})
