import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { crowdedHeight, jitterOf, peakShift } from '../../../src/signals/head'

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
  readonly patterns: readonly {
    readonly before: number
    readonly after: number
    readonly shift: number
    readonly height: number
  }[]
}
const file = join(import.meta.dirname, '../../fixtures/read-back/readback.json')
const layouts: ReadBack[] = JSON.parse(readFileSync(file, 'utf8'))
const law = (l: ReadBack) => jitterOf(1, l.noise, l.least) / 2

describe('reading back by numbers', () => {
  it('FM and group codes jitter half as much as MFM in cells: their nearest transitions are one cell apart', () => {
    const mfm = layouts.find(l => l.name === '3.5-inch MFM')!
    for (const l of layouts.filter(x => x.least === 1)) {
      const [ours, numbers] = [law(l) / law(mfm), l.jitterCells / mfm.jitterCells]
      expect(numbers, l.name).toBeLessThan(0.7)
      expect(Math.abs(ours / numbers - 1), l.name).toBeLessThan(0.3)
    }
  })
  it.each(layouts)('$name: jitter is of the size that numbers give', l => {
    // The law takes the densest pattern as a sine; its pulses are steeper where they cross zero.
    expect(l.jitterCells / law(l)).toBeGreaterThan(0.6)
    expect(l.jitterCells / law(l)).toBeLessThan(1.05)
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
