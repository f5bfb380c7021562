import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  beltNeed,
  orderBelts,
  rankBelts,
  serveFromShelf,
  sistersOf,
  type BeltNeed,
  type ShelfBelt,
} from '../../../src/bench/belts'
import { STRETCH } from '../../../src/calculators/mechanics'

const sizes = { motor: 9, flywheel: 62, centre: 70, section: 1.2, material: 'square' }
const belt = (id: string, insideMm: number, more: Partial<ShelfBelt> = {}): ShelfBelt => ({
  id,
  name: id,
  insideMm,
  sectionMm: 1.2,
  material: 'square',
  ...more,
})

describe('belts at hand', () => {
  const need = beltNeed('A', sizes)
  it('the one at the aim comes first, loose and strangling ones last', () => {
    const ranked = rankBelts(sizes, [
      belt('loose', need.mostMm * 1.05),
      belt('tight', need.leastMm * 0.98),
      belt('aim', need.orderMm),
      belt('edge', need.mostMm - 0.1),
      belt('strangles', need.leastMm * 0.9),
    ])
    expect(ranked.map(r => [r.belt.id, r.grade])).toEqual([
      ['aim', 'fits'],
      ['edge', 'fits'],
      ['tight', 'for a trial only'],
      ['loose', 'no'],
      ['strangles', 'no'],
    ])
    expect(ranked[0]!.stretch).toBeCloseTo(STRETCH.square.aim, 9)
    expect(ranked[3]!.because).toMatch(/^Longer than its path by \d\.\d %\.$/)
  })
  it('another section is laid on the path at its own middle, and said', () => {
    const [r] = rankBelts(sizes, [belt('thick', 246, { sectionMm: 1.8 })])
    expect(r).toMatchObject({ grade: 'for a trial only', because: expect.stringMatching(/thicker by 0\.6 mm/) })
  })
  it('drives with the same mechanism are those that one belt serves', () => {
    const others = [
      beltNeed('B', { ...sizes, centre: 70.5 }),
      beltNeed('C', { ...sizes, centre: 90 }),
      beltNeed('D', { ...sizes, section: 2 }),
    ]
    expect(sistersOf(need, [need, ...others]).map(n => n.drive)).toEqual(['B'])
  })
})

describe('the order list', () => {
  const anyNeed = fc.record({ leastMm: fc.integer({ min: 200, max: 240 }), width: fc.integer({ min: 1, max: 15 }) })
  const needsFrom = (raw: readonly { leastMm: number; width: number }[]) =>
    raw.map((r, i): BeltNeed => ({
      drive: `D${i}`,
      leastMm: r.leastMm,
      orderMm: r.leastMm + r.width / 2,
      mostMm: r.leastMm + r.width,
      sectionMm: 1.2,
      material: 'square',
    }))

  /** The fewest lengths that stab every range, by trying ever larger sets of upper ends. */
  function fewest(needs: readonly BeltNeed[]): number {
    const ends = [...new Set(needs.map(n => n.mostMm))]
    const stabs = (set: readonly number[]) => needs.every(n => set.some(x => x >= n.leastMm && x <= n.mostMm))
    const sets = (k: number, from: number): number[][] =>
      k === 0 ? [[]] : ends.flatMap((e, i) => (i < from ? [] : sets(k - 1, i + 1).map(rest => [e, ...rest])))
    for (let k = 0; ; k++) if (sets(k, 0).some(stabs)) return k
  }

  it('is the shortest there is, and every drive is served (against trying all)', () => {
    fc.assert(
      fc.property(fc.array(anyNeed, { maxLength: 6 }), raw => {
        const needs = needsFrom(raw)
        const orders = orderBelts(needs)
        expect(orders).toHaveLength(fewest(needs))
        for (const n of needs) {
          const o = orders.find(x => x.drives.includes(n.drive))!
          expect(o.insideMm).toBeGreaterThanOrEqual(n.leastMm - 0.05)
          expect(o.insideMm).toBeLessThanOrEqual(n.mostMm + 0.05)
        }
        expect(orders.flatMap(o => o.drives).sort()).toEqual(needs.map(n => n.drive).sort())
      }),
      { numRuns: 200 },
    )
  })
  it('belts at hand serve as many drives as can be (against every way to give them out)', () => {
    const most = (needs: readonly BeltNeed[], belts: readonly ShelfBelt[]): number => {
      const [first, ...rest] = belts
      if (!first) return 0
      return Math.max(
        most(needs, rest),
        ...needs
          .filter(n => n.leastMm <= first.insideMm && first.insideMm <= n.mostMm)
          .map(
            n =>
              1 +
              most(
                needs.filter(x => x !== n),
                rest,
              ),
          ),
      )
    }
    fc.assert(
      fc.property(
        fc.array(anyNeed, { maxLength: 5 }),
        fc.array(fc.integer({ min: 200, max: 255 }), { maxLength: 5 }),
        (raw, lengths) => {
          const needs = needsFrom(raw)
          const belts = lengths.map((l, i) => belt(`B${i}`, l))
          const { served, unserved } = serveFromShelf(needs, belts)
          expect(served).toHaveLength(most(needs, belts))
          expect(new Set(served.map(s => s.belt.id)).size).toBe(served.length)
          expect(served.length + unserved.length).toBe(needs.length)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('never mixes sections or kinds', () => {
    const [a] = needsFrom([{ leastMm: 220, width: 10 }])
    expect(orderBelts([a!, { ...a!, drive: 'X', sectionMm: 2 }, { ...a!, drive: 'Y', material: 'flat' }])).toHaveLength(
      3,
    )
  })
})
