import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { earliestForAll, Profile } from '../../../src/bench/plan/profile'

/** What is in use at each unit of time, as a row of numbers: the plain way. */
class Row {
  readonly used = Array<number>(4000).fill(0)
  constructor(private readonly count: number) {}
  isFree(from: number, length: number): boolean {
    return this.used.slice(from, from + length).every(n => n < this.count)
  }
  earliest(from: number, length: number): number {
    let at = from
    while (!this.isFree(at, length)) at++
    return at
  }
  take(from: number, length: number): void {
    for (let t = from; t < from + length; t++) this.used[t]!++
  }
}

const wishes = fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 25 })), {
  minLength: 1,
  maxLength: 80,
})

describe('how much of a thing is taken when', () => {
  it('tells the earliest time that a row of numbers tells, whatever was taken before', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), wishes, (count, list) => {
        const [steps, row] = [new Profile(count), new Row(count)]
        for (const [from, length] of list) {
          const at = steps.earliest(from, length)
          expect(at).toBe(row.earliest(from, length))
          steps.take(at, length)
          row.take(at, length)
        }
      }),
      { numRuns: 200 },
    )
  })
  it('finds a time that suits all of several things', () => {
    fc.assert(
      fc.property(wishes, list => {
        const [steps, rows] = [
          [new Profile(1), new Profile(2)],
          [new Row(1), new Row(2)],
        ]
        for (const [k, [from, length]] of list.entries()) {
          const needs = [[0], [1], [0, 1]][k % 3]!
          let wanted = from
          while (!needs.every(r => rows[r]!.isFree(wanted, length))) wanted++
          expect(earliestForAll(steps, needs, from, length)).toBe(wanted)
          for (const r of needs) {
            steps[r]!.take(wanted, length)
            rows[r]!.take(wanted, length)
          }
        }
      }),
      { numRuns: 200 },
    )
  })
})
