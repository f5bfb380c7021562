import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { hasNoRhythm, rhythmOf } from '../../../src/signals/separator'

/** Pulses by a numerical amplifier that knows none of our formulas (a script with numpy in the fixture's folder). */
interface Pulses {
  readonly name: string
  readonly noise: boolean
  readonly ns: readonly number[]
}
const cases: Pulses[] = JSON.parse(
  readFileSync(join(import.meta.dirname, '../../fixtures/noise-pulses/pulses.json'), 'utf8'),
)

describe('the rhythm of what comes from a head', () => {
  it.each(cases)('$name', ({ noise, ns }) => {
    expect(hasNoRhythm(ns.map(t => t / 1e9))).toBe(noise)
  })
  it('too few pulses tell nothing', () => {
    expect(rhythmOf([0, 1, 2, 3])).toBeNull()
    expect(hasNoRhythm([])).toBe(false)
  })
})
