import loadHighs from 'highs'
import { describe, expect, it } from 'vitest'
import { poolParts, type Box, type BoxDrive } from '../../../src/bench/pool'
import { Random } from '../../../src/simulator'
import { asLinearProgram } from './linear-program'

const PARTS = Array.from({ length: 40 }, (_, k) => `part ${k}`)

/** A box as large as they come: drives of two models, most of whose parts are good; not all have the same parts. */
function largeBox(random: Random, drives = 30): Box {
  return {
    drives: Array.from({ length: drives }, (_, i): BoxDrive => {
      const parts = PARTS.filter(() => random.next() < 0.9).map(
        p => [p, random.next() < 0.8 ? 'good' : random.next() < 0.5 ? 'bad' : 'unknown'] as const,
      )
      return {
        id: `d${i}`,
        mechanism: '3.5in',
        model: `model ${Math.floor(random.next() * 2)}`,
        value: Math.floor(1 + random.next() * 50),
        inUse: random.next() < 0.2,
        parts: Object.fromEntries(parts),
      }
    }),
    mayTakeFromUsed: ['d3', 'd7'],
    moves: {},
  }
}

describe('pooling, beside a solver for linear programs (HiGHS, in the registry)', () => {
  it('comes to the same value and the same number of moves for 30 drives with 40 parts', async () => {
    const highs = await loadHighs()
    const random = new Random(19)
    for (let n = 0; n < 25; n++) {
      const box = largeBox(random)
      const pool = poolParts(box)
      const moves = pool.works.reduce((sum, w) => sum + Object.keys(w.from).length, 0)
      const { ObjectiveValue } = highs.solve(asLinearProgram(box), { mip_rel_gap: 0 })
      expect(pool.proved).toBe(true)
      expect(1000 * pool.value - moves).toBeCloseTo(ObjectiveValue, 3)
    }
  })
})
