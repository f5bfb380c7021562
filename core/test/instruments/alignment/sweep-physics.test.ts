import { describe, expect, it } from 'vitest'
import {
  contextOf,
  EDGE_LOSS,
  judgeSweep,
  marginLikelihood,
  positionsOf,
  sharingWidths,
  slackOf,
  sweepOnLog,
  readingRanges,
  type SidedTry,
  type SweepContext,
  type SweepPosition,
} from '../../../src/instruments/alignment'
import { usualHalfWindowUm } from '../../../src/calculators/alignment'
import type { SweepEntryData } from '../../../src/log'
import { AdjustingHand, DRIVE_STORIES, SimulatedDrive, STORY_SEED, type Adjuster } from '../../../src/simulator'

const one = (position: number, good: number, more: object = {}): SweepPosition => ({
  position,
  lower: { good, expected: 11, ...more },
  upper: null,
})
const travel: readonly [number, number] = [-10, 10]

/** Follows the advice at an adjuster of the stand-in. */
function follow(
  mechanism: '3.5in' | '5.25in-48',
  story: string,
  adjuster: Adjuster & ('sensor' | 'stepper' | 'upper'),
  live = true,
): { readonly rows: SweepPosition[]; readonly context: SweepContext } {
  const umPerUnit = (2 * usualHalfWindowUm(mechanism)) / 7
  const hand = new AdjustingHand(
    new SimulatedDrive(DRIVE_STORIES.find(s => s.id === story)!.of(mechanism, STORY_SEED)),
    adjuster,
    umPerUnit,
  )
  hand.seek(6)
  const context: SweepContext = { travel, adjuster, mechanism, stood: 0, unit: 'marks' }
  const rows: SweepPosition[] = []
  for (let r = judgeSweep(rows, context); r.tryNext !== null && rows.length < 14; r = judgeSweep(rows, context)) {
    hand.set(r.tryNext)
    const strip = (c: ReturnType<AdjustingHand['read']>) => (live ? c : { good: c.good, expected: c.expected })
    rows.push({
      position: r.tryNext,
      lower: strip(hand.read(adjuster === 'upper' ? 1 : 0)),
      upper: adjuster === 'upper' ? null : strip(hand.read(1)),
    })
  }
  return { rows, context }
}

describe('a sweep of the simulated drive', () => {
  const off = 0.55 * 115
  it.each([
    [true, 6],
    [false, 10],
  ])('finds the stepper that is off (margins too: %s) within a tenth of the window, in few tries', (live, most) => {
    const { rows, context } = follow('3.5in', 'both-off', 'stepper', live)
    const r = judgeSweep(rows, context)
    expect(r.tryNext).toBeNull()
    expect(rows.length).toBeLessThanOrEqual(most)
    expect(Math.abs(r.common!.centre + off / ((2 * usualHalfWindowUm('3.5in')) / 7))).toBeLessThan(0.7)
    expect(r.call.kind).toBe('nudge')
  })
  it('finds where the sensor belongs by the headers of other cylinders, in steps', () => {
    const { rows, context } = follow('5.25in-48', 'early-zero', 'sensor')
    const r = judgeSweep(rows, context)
    expect(r).toMatchObject({ steps: true, tryNext: null })
    expect(rows.some(p => p.lower.named)).toBe(true)
    expect(r.call.next).toContain('track-zero sensor')
  })
  it('leaves a drive alone that stood in the middle', () => {
    const { rows, context } = follow('3.5in', 'sound', 'stepper')
    expect(judgeSweep(rows, context).call).toMatchObject({ kind: 'leave' })
  })
})

describe('steps are recognised', () => {
  const named = (position: number, k: number) => (k === 0 ? one(position, 11) : one(position, 0, { named: k }))
  it('where every position reads a whole track, its own or another', () => {
    expect(judgeSweep([named(-6, -1), named(-2, 0), named(2, 0), named(6, 1)]).steps).toBe(true)
    expect(judgeSweep([named(-6, -1), one(-4, 0), named(2, 0), named(6, 1)]).steps).toBe(false)
  })
  it('headers of neighbours put the window between them, a width away on either side', () => {
    const r = judgeSweep(
      [-9, -5, -1, 3, 7].map(p => named(p, Math.floor((p + 3) / 6))),
      { adjuster: 'sensor', travel },
    )
    expect(r.common!.from).toBeGreaterThan(-5)
    expect(r.common!.to).toBeLessThan(7)
  })
})

describe('margins', () => {
  // One over the loss falls evenly from the middle to the edge: as noise over signal has it, and the signal as the
  // overlap.
  const margins = (centre: number, half: number, middle: number, at: readonly number[]) =>
    at.map(position => ({
      position,
      margin: 1 - 1 / (1 / (1 - middle) - (Math.abs(position - centre) / half) * (1 / (1 - middle) - 1 / EDGE_LOSS)),
    }))
  it('are likeliest for the window that made them', () => {
    const seen = margins(1.5, 4, 0.72, [-1, 0, 1, 2.5, 4.5])
    const best = marginLikelihood(seen, -2.5, 5.5)
    for (const [from, to] of [
      [-4, 4],
      [-1, 7],
      [-2.5, 9],
      [0, 3.5],
    ] as const)
      expect(marginLikelihood(seen, from, to)).toBeLessThan(best - 1)
  })
  it('find the middle with one edge met', () => {
    const rows = [
      ...margins(1.5, 4, 0.72, [-1, 2.5, 4.8]).map(m => one(m.position, 11, { margin: m.margin })),
      one(-3.2, 0),
    ]
    const r = judgeSweep(rows, { travel })
    expect(Math.abs(r.common!.centre - 1.5)).toBeLessThan(0.6)
  })
  it('are refused beyond 0 to 100 %', () =>
    expect(() => judgeSweep([one(0, 11, { margin: 1.2 }), one(1, 0)])).toThrow(
      /row 1: a margin of 120 %; expected 0 to 100 %/,
    ))
})

describe('slack', () => {
  const reads = (p: number, side: 'below' | 'above'): SidedTry => {
    const at = side === 'above' ? p + 1 : p
    return { position: p, side, good: Math.abs(at) < 4 ? 11 : 0, expected: 11 }
  }
  it('is found from tries that were come to from both sides, and taken off', () => {
    const tried = [-6, -4.4, -3.6, 0, 3.6, 4.4].flatMap(p => [reads(p, 'below'), reads(p, 'above')])
    const found = slackOf(tried, [-10, 10])
    expect(Math.abs(found.slack - 1)).toBeLessThan(0.7)
    expect(
      slackOf(
        tried.filter(t => t.side === 'below'),
        [-10, 10],
      ).slack,
    ).toBe(0)
  })
  it('a sweep says it', () => {
    const rows = [-7, -4.3, -3.7, 0, 3.7, 4.3, 7].flatMap(p =>
      (['below', 'above'] as const).map((side): SweepPosition => {
        const { good, expected } = reads(p, side)
        return { position: p, side, lower: { good, expected }, upper: null }
      }),
    )
    const r = judgeSweep(rows, { travel, unit: '°' })
    expect(r.slack).toBeGreaterThan(0.3)
    expect(r.call.reasons.join(' ')).toMatch(/of play/)
  })
})

describe('two heads at one adjuster', () => {
  it('tell each other how wide a window is, and one that differs is not forced', () => {
    const narrow = readingRanges(
      [-6, -4, 0, 4, 6].map(p => ({ position: p, good: Math.abs(p) < 5 ? 11 : 0, expected: 11 })),
    )
    const open = readingRanges(
      [-6, 0].map(p => ({ position: p, good: p === 0 ? 11 : 0, expected: 11 })),
      [-12, 12],
    )
    const width = (w: typeof open) => w.reduce((s, c) => s + c.weight * (c.to - c.from), 0)
    const [a, b] = sharingWidths([narrow, open])
    expect(Math.abs(width(b!) - width(narrow))).toBeLessThan(Math.abs(width(open) - width(narrow)))
    expect(a!.reduce((s, c) => s + c.weight, 0)).toBeCloseTo(1)
  })
})

describe('bad input', () => {
  it('one position in another unit is named', () =>
    expect(() => judgeSweep([one(-2, 0), one(0, 11), one(1, 11), one(2, 0), one(900, 0)])).toThrow(
      /row 5 is at 900, far from all others; expected one unit throughout/,
    ))
  it('a whole number of cylinders', () =>
    expect(() => judgeSweep([one(0, 0, { named: 0.5 }), one(1, 11)])).toThrow(/row 1: headers 0.5 cylinders off/))
})

describe('a sweep on the log', () => {
  const base: SweepEntryData = {
    type: 'sweep',
    adjuster: 'upper',
    scale: 'marks',
    travel,
    stood: 0,
    umPerUnit: null,
    setTo: null,
    recheck: null,
    disk: null,
    rows: [-7, -4.5, -4.2, -3.9, 0, 0.4, 0.9, 3].map(position => ({
      position,
      side: 'below',
      lower: { good: position > -4.3 && position < 0.7 ? 11 : 0, expected: 11 },
      upper: null,
      struck: false,
    })),
  }
  it('is what its standing rows say; then set, then the look after tightening counts', () => {
    expect(sweepOnLog(base, '3.5in')).toMatchObject({
      title: 'Sweep of the upper head: 8 positions',
      call: { kind: 'nudge' },
    })
    expect(sweepOnLog({ ...base, setTo: -1.8 }, '3.5in')).toMatchObject({
      title: 'The upper head set to −1.8 marks',
      call: { kind: 'unknown' },
    })
    const zones = (['outer', 'middle', 'inner'] as const).map(zone => ({
      zone,
      lower: { good: 11, expected: 11 },
      upper: null,
    }))
    expect(sweepOnLog({ ...base, setTo: -1.8, recheck: { position: -1.7, zones } }, '3.5in').call.kind).toBe('leave')
  })
  it('what was struck out does not count', () => {
    expect(positionsOf({ rows: base.rows.map((r, i) => ({ ...r, struck: i < 2 })) })).toHaveLength(6)
    expect(contextOf(base, '3.5in')).toMatchObject({ unit: 'marks', adjuster: 'upper', mechanism: '3.5in' })
  })
})
