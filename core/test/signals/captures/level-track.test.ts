import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GrowableDoubles } from '../../../src/signals/captures/growable'
import { LevelTrack } from '../../../src/signals/captures/level-track'

describe('a growing list of doubles', () => {
  it('does what an array does, over its block borders too', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constant('pop' as const), fc.double({ noNaN: true })), { maxLength: 400 }),
        fc.constantFrom(0, 32_760),
        (moves, filled) => {
          const list = new GrowableDoubles()
          const plain: number[] = []
          for (let i = 0; i < filled; i++) {
            list.push(i)
            plain.push(i)
          }
          for (const m of moves) {
            if (m === 'pop') {
              list.pop()
              plain.pop()
            } else {
              list.push(m)
              plain.push(m)
            }
            expect(list.newest()).toBe(plain.at(-1) ?? Number.NEGATIVE_INFINITY)
          }
          expect(list.length).toBe(plain.length)
          expect(Array.from(list.take())).toEqual(plain)
          expect(list.length).toBe(0)
        },
      ),
      { numRuns: 60, seed: 7 },
    )
  })
})

describe('a track of levels', () => {
  it('keeps changes that alternate, whatever levels come in', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(0, 1, 2), fc.nat(3)), { maxLength: 200 }), steps => {
        const track = new LevelTrack(10_000)
        let t = 0
        let last: number | null = null
        for (const [level, dt] of steps) {
          t += dt
          track.set(level, t)
          if (level !== 2) last = level
        }
        const { edges, edgeCount } = track.finish('D0', 1, 0, t)
        expect(edgeCount).toBe(edges!.times.length)
        for (let i = 1; i < edges!.times.length; i++) expect(edges!.times[i]).toBeGreaterThan(edges!.times[i - 1]!)
        // The level after the last change is the last that came in.
        if (last !== null) expect((edges!.initial + edges!.times.length) % 2).toBe(last)
        for (const gap of edges!.gaps) expect(gap.toS).toBeGreaterThanOrEqual(gap.fromS)
      }),
      { numRuns: 300, seed: 8 },
    )
  })

  it('lets go of everything once there are too many changes, and counts on', () => {
    const track = new LevelTrack(10)
    for (let i = 0; i <= 100; i++) track.set(i % 2, i)
    expect(track.finish('busy', 1, 0, 100)).toEqual({ name: 'busy', edgeCount: 100, edges: null })
  })

  it('closes a gap that is open at the end', () => {
    const track = new LevelTrack(10)
    track.set(1, 5)
    track.set(2, 8)
    expect(track.finish('D0', 2, 0, 20).edges!.gaps).toEqual([{ fromS: 4, toS: 10 }])
  })
})

describe('a track that goes on without end', () => {
  it('shows at any time what it would end with, from any time on, and does not end by it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ level: fc.constantFrom(0, 1, 2), step: fc.integer({ min: 1, max: 50 }) }), {
          maxLength: 120,
        }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (moves, share) => {
          const [followed, plain] = [new LevelTrack(1e6, true), new LevelTrack(1e6)]
          let t = 0
          for (const { level, step } of moves) {
            t += step
            followed.set(level, t)
            plain.set(level, t)
            followed.peek('a', 10, 0, 0, t)
          }
          const from = share * t
          const all = plain.finish('a', 10, 0, t)
          expect(followed.peek('a', 10, 0, 0, t)).toEqual(all)
          const late = followed.peek('a', 10, 0, from, t).edges!
          const left = all.edges!.times.length - late.times.length
          // What is left out is an even number of changes: the level before the first one stays what it was.
          expect(left % 2).toBe(0)
          expect([...late.times]).toEqual([...all.edges!.times.subarray(left)])
          expect(all.edges!.times.filter(x => x >= from / 10).every(x => late.times.includes(x))).toBe(true)
          expect(followed.finish('a', 10, 0, t)).toEqual(all)
        },
      ),
      { numRuns: 80 },
    )
  })

  it('drops the oldest changes, and only those', () => {
    const track = new LevelTrack(100, true)
    for (let i = 0; i < 1001; i++) track.set(i % 2, i)
    const { edges, edgeCount } = track.peek('a', 1, 0, 0, 1000)
    expect(edgeCount).toBe(1000)
    expect(edges!.times.length).toBeLessThanOrEqual(100)
    expect(edges!.times.length).toBeGreaterThanOrEqual(50)
    expect(edges!.times.at(-1)).toBe(1000)
    // By hand: it rises at every odd time, and is low before.
    expect([edges!.initial, edges!.times[0]! % 2]).toEqual([0, 1])
  })
})
