import { describe, expect, it } from 'vitest'
import { judgeCalculator, keysOf } from '../../../src/calculators/calculator'
import { ASKED_FOR, CALCULATORS } from '../../../src/calculators/registry'

describe('what a calculator shows before anything is typed', () => {
  it('has a question and an example for each calculator, and for nothing else', () => {
    expect(Object.keys(ASKED_FOR).sort()).toEqual(CALCULATORS.map(c => c.id).sort())
    const asks = Object.values(ASKED_FOR).map(a => a.asks)
    expect(new Set(asks).size).toBe(asks.length)
    for (const q of asks) expect(q).toMatch(/^[A-Z].*\?$/)
  })
  it.each(CALCULATORS.map(c => [c.id, c] as const))('%s: its example is whole, and judged', (id, calculator) => {
    const { values, says } = ASKED_FOR[id]!.example
    const keys = keysOf(calculator)
    for (const key of Object.keys(values)) expect(keys).toContain(key)
    const { result, needed, doubts } = judgeCalculator(calculator, values)
    expect(needed).toEqual([])
    expect(doubts).toEqual([])
    expect(result!.call.reasons.length).toBeGreaterThan(0)
    expect(says).toMatch(/\.$/)
  })
})
