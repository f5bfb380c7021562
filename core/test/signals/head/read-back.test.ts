import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { crowdedHeight, densestSlope, jitterPerNoise, noiseBefore, peakShift } from '../../../src/signals/head'

/**
 * Against reading back by numbers: pulses laid over one another, differentiated, with noise, their zero crossings
 * looked for (a script with numpy in the fixture's folder, which knows none of our formulas).
 */
interface ReadBack {
  readonly name: string
  readonly least: number
  readonly cellUm: number
  readonly pulseUm: number
  readonly noise: number
  readonly jitterCells: number
  /** The same noise before it is differentiated, over an isolated pulse. */
  readonly rough: number
  readonly patterns: readonly {
    readonly before: number
    readonly after: number
    readonly shift: number
    readonly height: number
    readonly jitterCells: number
  }[]
}
const file = join(import.meta.dirname, '../../fixtures/read-back/readback.json')
const layouts: ReadBack[] = JSON.parse(readFileSync(file, 'utf8'))
/** Jitter by the law, cells r.m.s., of a transition that stands so many cells from its neighbours. */
function jitterCells(l: ReadBack, before: number, after: number): number {
  const [near, next] = [before * l.cellUm, after * l.cellUm]
  const dense = densestSlope(l.least * l.cellUm, l.pulseUm)
  const shift = peakShift(near, next, l.pulseUm)
  return (l.noise * jitterPerNoise(near, next, shift, l.pulseUm, dense)) / l.cellUm
}

describe('reading back by numbers', () => {
  it('FM and group codes jitter half as much as MFM in cells: their nearest transitions are one cell apart', () => {
    const mfm = layouts.find(l => l.name === '3.5-inch MFM')!
    for (const l of layouts.filter(x => x.least === 1)) {
      const numbers = l.jitterCells / mfm.jitterCells
      expect(numbers, l.name).toBeLessThan(0.7)
      expect(Math.abs(jitterCells(l, 1, 1) / jitterCells(mfm, 2, 2) / numbers - 1), l.name).toBeLessThan(0.1)
    }
  })
  it.each(layouts)('$name: jitter of every pattern is of the size that numbers give', l => {
    expect(Math.abs(jitterCells(l, l.least, l.least) / l.jitterCells - 1)).toBeLessThan(0.06)
    // 800 draws of a pattern scatter by 2.5 %.
    for (const p of l.patterns)
      expect(Math.abs(jitterCells(l, p.before, p.after) / p.jitterCells - 1), `${p.before} ${p.after}`).toBeLessThan(
        0.08,
      )
  })
  it.each(layouts)('$name: noise before the differentiator, which a comparator sees', l => {
    const dense = densestSlope(l.least * l.cellUm, l.pulseUm)
    expect(Math.abs((l.noise * noiseBefore(dense, l.least * l.cellUm)) / l.rough - 1)).toBeLessThan(0.03)
  })
  it.each(layouts)('$name: peak shift and height between neighbours', l => {
    for (const p of l.patterns) {
      const [before, after] = [p.before * l.cellUm, p.after * l.cellUm]
      const shift = peakShift(before, after, l.pulseUm) / l.cellUm
      // First order: the peak itself moves, and meets a flatter neighbour.
      expect(Math.abs(shift - p.shift)).toBeLessThan(Math.max(0.003, 0.17 * Math.abs(p.shift)))
      expect(crowdedHeight(before, after, l.pulseUm)).toBeCloseTo(p.height, 1)
      expect(Math.abs(crowdedHeight(before, after, l.pulseUm) - p.height)).toBeLessThan(0.02)
    }
  })
})
