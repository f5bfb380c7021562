import { describe, expect, it } from 'vitest'
import { AWAY_MINUTES, handsTime, type TimedEntry } from '../../src/log'

const MINUTE = 60_000
/** Entries at these minutes, each with what came before it in the workshop. */
const at = (...times: readonly [number, number | null, boolean?][]): TimedEntry[] =>
  times.map(([t, before, wait = false]) => ({
    atMs: t * MINUTE,
    before: before === null ? null : { atMs: before * MINUTE, wait },
  }))

describe('time of hands by a log', () => {
  it('adds what lies between entries of one sitting, and a little for beginning', () => {
    // By hand: 5 for beginning, then 10 and 20.
    expect(handsTime(at([0, null], [10, 0], [30, 10]))).toEqual({ minutes: 35, sittings: 1 })
  })
  it('counts nothing while somebody was away: the next evening is a new sitting', () => {
    expect(handsTime(at([0, null], [10, 0], [1440, 10], [1450, 1440]))).toEqual({ minutes: 30, sittings: 2 })
    const just = handsTime(at([0, null], [AWAY_MINUTES, 0]))
    expect(just).toEqual({ minutes: 5 + AWAY_MINUTES, sittings: 1 })
  })
  it('gives the gap to the drive that was worked on: another drive’s entry in between takes its part', () => {
    // Own entries at 0 and 30; another drive’s at 20.
    expect(handsTime(at([0, null], [30, 20])).minutes).toBe(15)
  })
  it('does not count a wait as work', () => {
    expect(handsTime(at([0, null], [30, 0, true])).minutes).toBe(15)
    expect(handsTime(at([0, null], [4, 0, true])).minutes).toBe(9)
  })
  it('is nothing where nothing was entered, and never less than nothing where a clock went back', () => {
    expect(handsTime([])).toEqual({ minutes: 0, sittings: 0 })
    expect(handsTime(at([10, 20])).minutes).toBe(0)
  })
})
